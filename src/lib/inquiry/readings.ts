import * as z from 'zod/mini';

/** What a stage reports to have read at a width, by key; checked, because stages are not trusted. */
export const READINGS = z.map(z.string(), z.union([z.number(), z.string()]));
