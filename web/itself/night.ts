import dayjs from 'dayjs';
import { computed } from 'vue';
import { NIGHT } from '@jade/words/itself';
import { useJob } from '../job/store.ts';
import { useSession } from '../session/index.ts';

/** Since when the job is left open for the night, and by whom; undefined while somebody is there. */
export function useNight() {
  const job = useJob();
  const session = useSession();
  return computed(() => {
    const { night } = job.state;
    return night && NIGHT.since(dayjs(night.at).format('dddd HH:mm'), night.by === undefined ? undefined : session.benchNameOf(night.by));
  });
}
