import { eq } from 'drizzle-orm';
import { checkPeople, type Role } from '@jade/core/shop';
import { FaultyInput } from '@jade/core/faults';
import type { NewPerson, PersonChange, PersonShown } from '@jade/contract/people';
import { tables, type Connection } from '../database/index.ts';
import { notFound, Refusal } from '../faults/index.ts';

const { people } = tables;

/** Everybody who works in the shop or did, by bench name. */
export async function listPeople(db: Connection): Promise<PersonShown[]> {
  const rows = await db.select().from(people).orderBy(people.benchName);
  return rows.map((row) => ({ ...row, role: row.role as Role }));
}

/** The people as they would be with one of them so; refused where that cannot be. Their rows are held. */
async function checkWith(tx: Connection, person: Omit<PersonShown, 'rev'>): Promise<void> {
  const rows = await tx.select().from(people).for('update');
  const others = rows.filter((row) => row.id !== person.id).map((row) => ({ ...row, role: row.role as Role }));
  const faults = checkPeople([...others, person], person.id);
  if (person.benchName === '') faults.unshift({ path: 'benchName', code: 'length', data: { least: 1 } });
  if (faults.length > 0) throw new FaultyInput(faults);
}

/** Takes somebody new into the shop; the same again is the one there is. Gives back the id and whether they are new. */
export async function makePerson(tx: Connection, { id: clientId, benchName, role }: NewPerson): Promise<{ id: string; made: boolean }> {
  const id = `person-${clientId}`;
  const wanted = { id, benchName: benchName.trim(), role, left: false };
  const [there] = await tx.select().from(people).where(eq(people.id, id));
  if (there) {
    if (there.rev === 1 && (there.benchName !== wanted.benchName || there.role !== role))
      throw new Refusal(409, [{ path: 'id', code: 'conflict', data: { what: 'this id is taken by another person' } }]);
    return { id, made: false };
  }
  await checkWith(tx, wanted);
  await tx.insert(people).values(wanted);
  return { id, made: true };
}

/** Changes somebody whom nobody else has changed since version `basedOn`. Gives back the version. */
export async function changePerson(tx: Connection, id: string, { basedOn, benchName, role, left }: PersonChange): Promise<number> {
  const [there] = await tx.select().from(people).where(eq(people.id, id)).for('update');
  if (!there) throw notFound('person', id);
  const wanted = { benchName: benchName.trim(), role, left };
  if (there.benchName === wanted.benchName && there.role === role && there.left === left) return there.rev;
  if (there.rev !== basedOn)
    throw new Refusal(409, [{ path: 'basedOn', code: 'conflict', data: { what: `${there.benchName} was changed since by somebody else` } }], { theirs: there });
  await checkWith(tx, { id, ...wanted });
  await tx
    .update(people)
    .set({ ...wanted, rev: there.rev + 1 })
    .where(eq(people.id, id));
  return there.rev + 1;
}
