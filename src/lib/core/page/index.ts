export { contentAhead, frameContents, type FrameContent, type StyleText } from './content.ts';
export { heightUses, type HeightUse } from './heightUses.ts';
export { pageModel, solvers, type PageModel } from './model.ts';
