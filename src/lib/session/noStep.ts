import { Annotation } from '@codemirror/state';

/** Marks a change that is not a step of the history: undoing and redoing, and a text restored by a reload. */
export const noStep = Annotation.define<true>();
