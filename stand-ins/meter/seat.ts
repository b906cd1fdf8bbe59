import { isVehicleState } from '@jade/core/states';
import type { HelperShown } from '@jade/contract/helper';
import type { Played } from './vehicle.ts';

/** A helper in the seat of a played vehicle: follows a helper's link and puts the vehicle into what is asked. Ends with the link, or when it is told to. */
export async function sitIn(played: Played, link: string, stop: AbortSignal): Promise<void> {
  const { origin, pathname } = new URL(link);
  const token = pathname.split('/').at(-1) ?? '';
  const answer = await fetch(`${origin}/api/helper/${token}/stream`, { signal: stop });
  if (!answer.ok || !answer.body) throw new Error(`the helper's link answered ${answer.status}`);
  let text = '';
  const decoder = new TextDecoder();
  try {
    for (const reader = answer.body.getReader(); ;) {
      const { value, done } = await reader.read();
      if (done) return;
      text += decoder.decode(value, { stream: true });
      const messages = text.split('\n\n');
      text = messages.pop() ?? '';
      for (const message of messages) {
        const data = /^data: (.*)$/m.exec(message)?.[1];
        const { state } = data ? (JSON.parse(data) as HelperShown) : { state: undefined };
        // Nothing asked: everything off.
        if (data) played.state = state && isVehicleState(state) ? state : 'key off';
      }
    }
  } catch (error) {
    if (!stop.aborted) throw error;
  }
}
