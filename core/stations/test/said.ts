import type { LoggedEvent } from '../../events/index.ts';

/** What was done to the vehicle, in short. */
export function said({ type, payload }: LoggedEvent): string[] {
  const data = payload as Record<string, string>;
  switch (type) {
    case 'piece.moved':
      return [`${data.piece} ${data.level}`];
    case 'supply.set':
      return [`${data.is}`];
    case 'step.passed':
      return data.pass === 'tighten' ? [`fit ${data.step}`] : [];
    case 'plug.joined':
      return [`join ${data.connection}`];
    case 'test.tried':
      return [`try ${data.test}`];
    case 'aim.measured':
      return [`aim ${data.lamp?.split('/')[1]}`];
    default:
      return [];
  }
}
