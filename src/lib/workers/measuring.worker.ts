import { expose } from 'comlink';
import * as z from 'zod/mini';
import { Measuring } from './measuring.ts';

// Compiled schemas would need `eval`, which the application's policy forbids.
z.config({ jitless: true });

expose(new Measuring());
