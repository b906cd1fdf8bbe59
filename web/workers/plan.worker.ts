import { planOpening, type JobContext } from '@jade/core/job';

self.onmessage = ({ data }: MessageEvent<{ id: number; context: JobContext }>) => {
  self.postMessage({ id: data.id, plan: planOpening(data.context) });
};
