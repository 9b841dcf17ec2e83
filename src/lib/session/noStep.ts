import { Annotation } from '@codemirror/state';

/** Marks a change that is no step of a history: what the history does itself, and a text that a reload brings back. */
export const noStep = Annotation.define<true>();
