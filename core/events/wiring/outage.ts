import { RECORDED, type Definition } from '../definition.ts';

/** A lamp that the vehicle will report, or flash fast with, left so; `afterW`: what hangs on its channel. */
export interface OutageAccepted {
  channel: string;
  afterW: number;
}

export const outageAccepted: Definition<OutageAccepted> = {
  ...RECORDED,
  opposite: null,
  does: (state, { channel, afterW }) => void (state.outagesAccepted[channel] = afterW),
  names: ({ channel }, { among, profile }) => among(profile.channels ?? [], channel, 'channel', 'lamp channel'),
};
