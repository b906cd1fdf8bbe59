import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Kit } from '@jade/core/kit';
import type { VehicleProfile } from '@jade/core/vehicle';
import { TestBench } from './test/bench.ts';
import { goTo } from './test/job.ts';
import { largeVehicle } from './test/large.ts';

const LONG_MS = 400_000;
/** A vehicle whose least way in takes longer to prove than anybody waits. */
const HARD_SEED = 5;
const shop = new TestBench(LONG_MS);
const demo = <T>(file: string) => JSON.parse(readFileSync(join(import.meta.dirname, '../demo', file), 'utf8')) as T;

test(
  'a profile of five hundred pieces is taken in and planned, with progress, and stopped with the gap that is left',
  async () => {
    const { page, complaints } = await shop.open('slate');
    const { request } = page.context();
    const { profile, kit } = largeVehicle(demo<VehicleProfile>('vehicles/wexholm-bollard-35.json'), demo<Kit>('kits/cairn-fen-pair.json'), 500, HARD_SEED);
    const owner = demo<{ vehicles: object[]; jobs: object[] }>('shop.json');
    const vehicle = { id: 'large-one', customer: 'hill-road-rescue', profile: profile.slug, plate: 'HR 500', year: 2022 };
    for (const document of [profile, kit, { ...owner, vehicles: [...owner.vehicles, vehicle] }]) {
      const answer = await request.post(`${shop.address}/api/documents`, { data: document });
      expect([answer.status(), answer.status() === 201 ? '' : await answer.text()]).toEqual([201, '']);
    }
    const opened = await request.post(`${shop.address}/api/jobs`, { data: { id: '01900000-0000-7000-8000-000000000500', vehicle: vehicle.id, kits: [{ slug: kit.slug }] } });
    const { id } = (await opened.json()) as { id: string };
    await goTo(page, shop.address, id, 'open-up', 'Open up');
    await page.getByText(/\d+ places looked at; .*person-min found/).waitFor();
    await page
      .getByRole('button', { name: 'Floor mode' })
      .or(page.getByRole('button', { name: 'Take this one' }))
      .first()
      .waitFor();
    await page.getByRole('button', { name: 'Take this one' }).click();
    await page.getByText(/at most .*person-min above the least/).waitFor();
    expect(await page.getByRole('heading', { name: /\d+ steps to go/ }).textContent()).toMatch(/^\d{2,}/);
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);
