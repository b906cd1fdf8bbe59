import { computed } from 'vue';
import type { JobContext } from '@jade/core/job';
import type { Names } from '@jade/words/names';
import { useJob } from './store.ts';

/** The job of a station view. Station views are only shown once a job is open; outside of one this throws. */
export function useCurrentJob() {
  const job = useJob();
  const context = computed<JobContext>(() => {
    if (!job.context) throw new Error('no job is open');
    return job.context;
  });
  const names = computed<Names>(() => {
    if (!job.names) throw new Error('no job is open');
    return job.names;
  });
  return { job, context, names };
}
