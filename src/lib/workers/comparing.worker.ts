import { expose } from 'comlink';
import { Comparing } from './comparing.ts';

expose(new Comparing());
