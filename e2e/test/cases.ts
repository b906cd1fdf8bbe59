import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import type { JobDocuments } from '@jade/core/job';
import type { Kit } from '@jade/core/kit';
import type { RuleSet } from '@jade/core/rules';
import type { VehicleProfile } from '@jade/core/vehicle';
import type { PlugLibrary } from '@jade/core/wiring';
import { casesOf, type Case } from '../../core/stations/test/cases.ts';

/** The vehicle of the demo shop of each kind. */
export const VEHICLES: Readonly<Record<string, string>> = {
  'wexholm-bollard-35': 'hill-road-12',
  'oskarre-linnet': 'saltmarsh-3',
  'dunmorrow-causeway-26': 'library-1',
  'pellorin-trio-300': 'bakery-5',
  'wexholm-fieldcat': 'forestry-9',
};

const demo = join(import.meta.dirname, '../../demo');
const read = <T>(file: string): T => JSON.parse(readFileSync(join(demo, file), 'utf8')) as T;
const all = <T>(folder: string): T[] => readdirSync(join(demo, folder)).map((file) => read<T>(`${folder}/${file}`));

/** Every kit of the demo on every vehicle that it fits, with all that can be so of it. */
export const demoCases = (): Case[] => casesOf(all<VehicleProfile>('vehicles'), all<Kit>('kits'), { rules: read<RuleSet>('rules.json'), plugs: read<PlugLibrary>('plugs.json') });

/** A job of a case in the shop that is open, with the documents that it pins. */
export async function openCase(page: Page, address: string, { documents }: Case, number: number): Promise<{ job: string; documents: JobDocuments }> {
  const id = `01900000-0000-7000-8000-00000000b${String(number).padStart(3, '0')}`;
  const kits = documents.kits.map(({ slug }) => ({ slug }));
  const made = await page.context().request.post(`${address}/api/jobs`, { data: { id, vehicle: VEHICLES[documents.profile.slug], kits } });
  const { id: job } = (await made.json()) as { id: string };
  const view = (await (await page.context().request.get(`${address}/api/jobs/${job}`)).json()) as JobDocuments & { vehicle: { year: number | null } };
  const { profile, rules, plugs, newKit, taken } = view;
  return { job, documents: { profile, kits: view.kits, rules, plugs, newKit, taken, year: view.vehicle.year ?? undefined } };
}
