import { resolve } from 'node:path';

/** The folder that holds everything that people made: `VANTAGGIO_DATA`, else `./data`. */
export const dataFolder = (): string => resolve(process.env.VANTAGGIO_DATA ?? 'data');
