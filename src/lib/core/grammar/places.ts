import { sliceOf, type Node, type Sheet } from '../css/index.ts';
import type { Remark } from './remark.ts';

/** At-rules that contain only declarations. */
const DECLARATIONS_ALONE =
	/^(font-face|property|counter-style|font-palette-values|view-transition|position-try)$/;

/** A rule where only declarations are allowed: in a descriptor block, or inside a rule of `@keyframes`. */
export function misplaced(node: Node): Remark | undefined {
	if (node.kind !== 'rule') return undefined;
	const { parent } = node;
	if (parent.kind === 'at-rule' && DECLARATIONS_ALONE.test(parent.name)) {
		return {
			span: node.prelude,
			sentence: `Only declarations may stand in @${parent.name}; this rule is dropped.`
		};
	}
	if (parent.kind === 'rule' && parent.parent.kind === 'at-rule' && /keyframes$/.test(parent.parent.name)) {
		return {
			span: node.prelude,
			sentence: 'Only declarations may stand in a keyframe; this rule is dropped.'
		};
	}
	return undefined;
}

/** The text of an HTML attribute, such as `style="color: red"`, where CSS is expected. */
const ATTRIBUTE = /^\s*(style|class|id)\s*=\s*["']/i;

/** HTML attributes that were pasted into a sheet. */
export function* pasted(sheet: Sheet): Generator<Remark> {
	for (const { span } of sheet.notes) {
		const name = ATTRIBUTE.exec(sliceOf(sheet.source, span))?.[1]?.toLowerCase();
		if (!name) continue;
		const wants = {
			style: 'what stands between its quotes',
			class: 'a dot and the name, as a selector',
			id: 'a # and the name, as a selector'
		}[name];
		yield { span, sentence: `This is an attribute of HTML; a sheet wants ${wants ?? 'CSS'}.` };
	}
}
