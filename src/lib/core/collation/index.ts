export { alikeColumns, collate, differs, type Cell, type Collated, type Row } from './collate.ts';
export { GROUPS, groupOf, type Group } from './group.ts';
export { logicalOf, sidesOf, withSide } from './sides.ts';
export { isPlace } from './place.ts';
