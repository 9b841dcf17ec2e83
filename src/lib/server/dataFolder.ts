import { resolve } from 'node:path';

/** The folder for everything that people made: `VANTAGGIO_DATA`, otherwise `./data`. */
export const dataFolder = (): string => resolve(process.env.VANTAGGIO_DATA ?? 'data');
