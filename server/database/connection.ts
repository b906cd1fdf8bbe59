import type { MySql2Database } from 'drizzle-orm/mysql2';
import type * as schema from './schema.ts';

export type Database = MySql2Database<typeof schema>;
/** The database or a transaction on it. */
export type Connection = Pick<Database, 'select' | 'selectDistinct' | 'insert' | 'update' | 'delete' | 'execute' | 'transaction'>;
