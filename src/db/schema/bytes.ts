import { customType } from 'drizzle-orm/pg-core';

/** Bytes as they are. */
export const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' });
