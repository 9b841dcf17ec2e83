export { ranked, type Findable } from './rank.ts';
