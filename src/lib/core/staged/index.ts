export { changeInWords, stagedProblem, stagedStateSchema } from './staged.ts';
export type { StagedChange, StagedState } from './staged.ts';
