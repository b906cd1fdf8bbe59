import type { FastifyInstance, FastifyRequest } from 'fastify';
import type { Right } from '@jade/core/shop';
import { CustomerChange, ListToTake, Merge, NewCustomer, NewVehicle, VehicleChange } from '@jade/contract/customers';
import { retrying, type Connection, type Database } from '../database/index.ts';
import { formOf, worded } from '../faults/index.ts';
import { requireRight } from '../people/index.ts';
import { findCustomers, findVehicles, showCustomer, showVehicle } from './find.ts';
import { changeCustomer, changeVehicle, makeCustomer, makeVehicle, mergeCustomers, mergeVehicles } from './keep.ts';
import { takeList } from './list.ts';

const LIST_BYTES = 5 * 1024 * 1024;

interface Find {
  Querystring: { find?: string };
}
interface One {
  Params: { id: string };
}

/** Customers and their vehicles: found, shown, made, changed, joined where two are one, taken in from a list. */
export function customerRoutes(app: FastifyInstance, { db }: { db: Database }): void {
  /** The body of a write by somebody who has the right to it. */
  async function bodyOf<T extends object>(request: FastifyRequest, right: Right, form: new () => T): Promise<T> {
    await requireRight(db, request, right);
    return formOf(form, request.body);
  }
  const inOne = <T>(work: (tx: Connection) => Promise<T>) => retrying(() => db.transaction(work));

  app.get<Find>('/api/vehicles', async ({ query }) => findVehicles(db, query.find ?? ''));
  app.get<One>('/api/vehicles/:id', async ({ params }) => showVehicle(db, params.id));
  app.get<Find>('/api/customers', async ({ query }) => findCustomers(db, query.find ?? ''));
  app.get<One>('/api/customers/:id', async ({ params }) => showCustomer(db, params.id));

  app.post('/api/customers', async (request, reply) => {
    const { id: clientId, ...wanted } = await bodyOf(request, 'keep customers', NewCustomer);
    const id = `customer-${clientId}`;
    const made = await inOne((tx) => makeCustomer(tx, id, wanted));
    return reply.status(made ? 201 : 200).send({ id });
  });

  app.post('/api/vehicles', async (request, reply) => {
    const { id: clientId, ...wanted } = await bodyOf(request, 'keep customers', NewVehicle);
    const { id, made } = await inOne((tx) => makeVehicle(tx, clientId, wanted));
    return reply.status(made ? 201 : 200).send({ id });
  });

  app.post<One>('/api/customers/:id', async (request) => {
    const change = await bodyOf(request, 'keep customers', CustomerChange);
    return { rev: await inOne((tx) => changeCustomer(tx, request.params.id, change)) };
  });

  app.post<One>('/api/vehicles/:id', async (request) => {
    const change = await bodyOf(request, 'keep customers', VehicleChange);
    return { rev: await inOne((tx) => changeVehicle(tx, request.params.id, change)) };
  });

  app.post<One>('/api/customers/:id/merge', async (request) => {
    const { into } = await bodyOf(request, 'join customers', Merge);
    await inOne((tx) => mergeCustomers(tx, request.params.id, into));
    return { id: into };
  });

  app.post<One>('/api/vehicles/:id/merge', async (request) => {
    const { into } = await bodyOf(request, 'join customers', Merge);
    await inOne((tx) => mergeVehicles(tx, request.params.id, into));
    return { id: into };
  });

  app.post('/api/customers/list', { bodyLimit: LIST_BYTES }, async (request) => {
    const list = await bodyOf(request, 'join customers', ListToTake);
    const taken = await inOne((tx) => takeList(tx, list));
    return { ...taken, faults: worded(taken.faults) };
  });
}
