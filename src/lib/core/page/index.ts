export { frameContents, type FrameContent } from './content.ts';
export { pageModel, solvers, type PageModel } from './model.ts';
