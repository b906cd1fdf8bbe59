import dayjs from 'dayjs';
import { computed } from 'vue';
import { PAUSE } from '@jade/words/itself';
import { useJob } from '../job/store.ts';
import { useSession } from '../session/index.ts';

/** Since when hands are off the vehicle, and who said so; undefined while it is worked on. */
export function usePause() {
  const job = useJob();
  const session = useSession();
  return computed(() => {
    const { pause } = job.state;
    return pause && PAUSE.since(dayjs(pause.at).format('HH:mm'), pause.by === undefined ? undefined : session.benchNameOf(pause.by));
  });
}
