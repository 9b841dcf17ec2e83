export { frameContents, type FrameContent, type StyleText } from './content.ts';
export { pageModel, solvers, type PageModel } from './model.ts';
