import { defineConfig } from 'drizzle-kit';

export default defineConfig({ dialect: 'mysql', schema: './server/database/schema.ts', out: './server/database/migrations' });
