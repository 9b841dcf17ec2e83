import * as z from 'zod/mini';

/** What a stage says that it read at a width, by key: what comes from there is not trusted. */
export const READINGS = z.map(z.string(), z.union([z.number(), z.string()]));
