import { expose } from 'comlink';
import { Reading } from './reading.ts';

expose(new Reading());
