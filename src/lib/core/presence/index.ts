export { alikeTo } from './alike.ts';
export { UNSEEN, type Unseen } from './unseen.ts';
