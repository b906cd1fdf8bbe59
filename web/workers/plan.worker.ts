import { Planner, type Asked } from './planner.ts';

const planner = new Planner((told) => self.postMessage(told));
self.onmessage = ({ data }: MessageEvent<Asked>) => planner.hear(data);
