export { changeInWords, checkStaged, stagedStateSchema } from './staged.ts';
export type { StagedChange, StagedState } from './staged.ts';
