import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import type { EarlierPhoto, Photo, PhotoFault, PhotoSubject } from '@jade/core/photos';
import { isRefused, itself } from '@jade/core/stations';
import { ask } from '../ask/index.ts';
import { useJob } from '../job/store.ts';
import { keepView, keptView, useOutbox } from '../outbox/index.ts';
import { preparePhoto } from './prepare.ts';
import { PictureQueue, type SentPicture } from './queue.ts';
import { allPictures, forgetPicture, keepPictures, type UnsentPicture } from './shelf.ts';

/** Between two questions for pictures that other devices are still sending. */
const LOOK_MS = 700;
const LONGEST_LOOK_MS = 8000;
/** As long a picture that was shown from this device is still to be had, until it is shown from the server. */
const LET_GO_MS = 30_000;

/** Sends a picture; while the server is away it is asked first whether it is there, so that nothing large goes out into nowhere. */
async function send({ job, hash, bytes }: UnsentPicture, away: boolean): Promise<SentPicture> {
  if (away && !(await fetch('/api/health')).ok) return 'away';
  const answer = await fetch(`/api/jobs/${encodeURIComponent(job)}/photos/${hash}`, { method: 'PUT', headers: { 'content-type': 'image/jpeg' }, body: bytes });
  if (answer.ok) return 'kept';
  if (answer.status === 401) return 'nobody';
  if (answer.status >= 500 || answer.status === 429) return 'away';
  const { faults = [] } = (await answer.json()) as { faults?: { message: string }[] };
  return { refused: faults.map(({ message }) => message).join('; ') };
}

/** Photos of the job that is open and of others on the same kind of vehicle; what this device took and the server does not have yet, of all jobs. */
export const usePhotos = defineStore('photos', () => {
  const job = useJob();
  const outbox = useOutbox();
  /** Counts changes of the queue, so that what is read from it is read again. */
  const changes = ref(0);
  const addresses = new Map<string, string>();
  /** Pictures that the server is known to have. */
  const kept = shallowRef<ReadonlySet<string>>(new Set());
  /** Files that are being made ready, by what they are of. */
  const making = ref<Record<string, number>>({});
  const faults = ref<{ about: string; fault: PhotoFault }[]>([]);
  const earlier = shallowRef<readonly EarlierPhoto[]>([]);
  let away = false;

  const queue = new PictureQueue({
    send: async (picture) => {
      const sent = await send(picture, away).catch((): SentPicture => 'away');
      away = sent === 'away';
      if (sent === 'kept') {
        know([picture.hash]);
        letGo(picture.hash);
        outbox.seen(true);
      }
      return sent;
    },
    keep: keepPictures,
    all: allPictures,
    forget: forgetPicture,
    changed: () => void changes.value++,
  });
  void queue.load();
  window.addEventListener('online', () => queue.kick());
  document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && void queue.load());
  watch(
    () => [outbox.online, outbox.needsPerson],
    () => outbox.online && !outbox.needsPerson && queue.kick(),
  );

  const read = <T>(value: () => T) =>
    computed(() => {
      void changes.value;
      return value();
    });
  const count = read(() => queue.count());
  const refusals = read(() => queue.refusals());
  const keepsNothing = read(() => queue.keepsNothing);

  /** What the server has is shown from there: a device keeps no more than it has to. */
  function letGo(hash: string): void {
    const address = addresses.get(hash);
    addresses.delete(hash);
    if (address !== undefined) setTimeout(() => URL.revokeObjectURL(address), LET_GO_MS);
  }
  const know = (hashes: readonly string[]) => void (kept.value = new Set([...kept.value, ...hashes]));

  const own = computed<Photo[]>(() => Object.values(job.state.photos));
  /** Small pictures and pictures of the job that are neither here nor known to be at the server. */
  const missing = read(() => own.value.flatMap(({ hash, thumb }) => [thumb, hash]).filter((hash) => !kept.value.has(hash) && queue.bytesOf(hash) === undefined));

  let looking: ReturnType<typeof setTimeout> | undefined;
  async function look(wait: number): Promise<void> {
    clearTimeout(looking);
    const id = job.view?.id;
    if (id === undefined || missing.value.length === 0) return;
    try {
      know((await ask<{ kept: string[] }>(`/api/jobs/${encodeURIComponent(id)}/photos`)).kept);
    } catch {
      // The pictures may be in the browser's own keeping: they are tried as they are.
    }
    if (job.view?.id === id && missing.value.length > 0) looking = setTimeout(() => void look(Math.min(LONGEST_LOOK_MS, wait * 1.4)), wait);
  }
  watch(
    () => [job.view?.id, own.value.length],
    () => void look(LOOK_MS),
    { immediate: true },
  );

  /** The last photos of each place on vehicles of a kind, but of one job; while there is no server those that were told of before. */
  const ofKind = (profile: string, but = '') => told(`photos/${profile}`, `/api/photos/of/${encodeURIComponent(profile)}?but=${encodeURIComponent(but)}`, but);
  async function told(at: string, address: string, but: string): Promise<readonly EarlierPhoto[]> {
    try {
      const { photos } = await ask<{ photos: EarlierPhoto[] }>(address);
      void keepView(at, photos).catch(() => undefined);
      return photos;
    } catch {
      return ((await keptView<EarlierPhoto[]>(at).catch(() => undefined)) ?? []).filter((photo) => photo.job !== but);
    }
  }
  /** Pages of the papers of kits, as they were last photographed on another job. */
  const papersOf = (kits: string, but = '') => told(`papers/${kits}`, `/api/photos/papers?kits=${encodeURIComponent(kits)}&but=${encodeURIComponent(but)}`, but);
  watch(
    () => job.view?.id,
    (id) => {
      earlier.value = [];
      faults.value = [];
      const profile = job.view?.profile.slug;
      if (id !== undefined && profile !== undefined) void ofKind(profile, id).then((found) => job.view?.id === id && (earlier.value = found));
    },
    { immediate: true },
  );
  /** Pages of the papers of the job's kits, as other jobs photographed them. */
  const papers = shallowRef<readonly EarlierPhoto[]>([]);
  watch(
    () => [job.view?.id, (job.view?.kits ?? []).map(({ slug }) => slug).join()] as const,
    ([id, kits]) => {
      papers.value = [];
      if (id !== undefined && kits !== '') void papersOf(kits, id).then((found) => job.view?.id === id && (papers.value = found));
    },
    { immediate: true },
  );

  /** Where a picture is shown from: this device where it is still here, else the server; undefined while it is known to be with another device. */
  function addressOf(hash: string): string | undefined {
    void changes.value;
    const known = addresses.get(hash);
    if (known) return known;
    const bytes = queue.bytesOf(hash);
    if (bytes === undefined) return missing.value.includes(hash) && outbox.online ? undefined : `/api/photos/${hash}`;
    const address = URL.createObjectURL(new Blob([bytes], { type: 'image/jpeg' }));
    addresses.set(hash, address);
    return address;
  }

  /** Takes files of the camera as photos of a subject: each is made ready beside the page, kept here, recorded, and sent. */
  async function take(files: Iterable<File>, subject: PhotoSubject, about: string): Promise<void> {
    const id = job.view?.id;
    const list = [...files];
    if (id === undefined || list.length === 0) return;
    faults.value = faults.value.filter((entry) => entry.about !== about);
    making.value[about] = (making.value[about] ?? 0) + list.length;
    for (const file of list) {
      const ready = await preparePhoto(file);
      making.value[about] = Math.max(0, (making.value[about] ?? 0) - 1);
      if ('fault' in ready) {
        faults.value = [...faults.value, { about, fault: ready.fault }];
        continue;
      }
      const { picture, small, widthPx, heightPx } = ready;
      const open = job.view?.id === id;
      const act = itself.photographed({ state: open ? job.state : { photos: {} } }, subject, { hash: picture.hash, thumb: small.hash, widthPx, heightPx });
      // The small one first: it is what others look at.
      if (!isRefused(act)) await queue.put(id, [small, picture]);
      await (open ? job.perform(act) : job.performOn(id, act));
    }
  }

  return {
    own,
    earlier,
    papers,
    papersOf,
    making,
    faults,
    count,
    refusals,
    keepsNothing,
    addressOf,
    ofKind,
    take,
    settle: (hashes: readonly string[], again: boolean) => queue.settle(hashes, again),
  };
});
