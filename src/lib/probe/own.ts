const of = <T extends object>(prototype: T, name: keyof T & string): ((it: Node) => unknown) => {
	const get = Object.getOwnPropertyDescriptor(prototype, name)?.get;
	return (it) => get?.call(it) as unknown;
};
const nodeType = of(Node.prototype, 'nodeType');
const localName = of(Element.prototype, 'localName');

const seen = new WeakMap<object, object>();

/** A member as the nearest of a node's prototypes that has it describes it. */
function described(node: object, name: PropertyKey): PropertyDescriptor | undefined {
	const prototype = Object.getPrototypeOf(node) as object | null;
	return prototype
		? (Object.getOwnPropertyDescriptor(prototype, name) ?? described(prototype, name))
		: undefined;
}

/** A node's members as its prototypes have them, whatever it names itself. */
const unnamed: ProxyHandler<object> = {
	get(node, name) {
		const found = described(node, name);
		const value: unknown = found?.get ? found.get.call(node) : found?.value;
		return typeof value === 'function' ? (value.bind(node) as unknown) : value;
	},
	set(node, name, value) {
		const set = described(node, name)?.set;
		set?.call(node, value);
		return set !== undefined;
	}
};

/**
 * A node of a page, for one access to a member of its own. Documents and forms have the elements that are named in them
 * as members, before all others (HTML §3.1.6, §4.10.3): `<form name=open>` is `document.open`. Only for reading a member:
 * what is handed on is the node itself.
 */
export function own<X extends Node | null | undefined>(node: X): X {
	if (!node) return node;
	const type = nodeType(node);
	if (type !== Node.DOCUMENT_NODE && (type !== Node.ELEMENT_NODE || localName(node) !== 'form')) return node;
	let view = seen.get(node);
	if (!view) seen.set(node, (view = new Proxy(node, unnamed)));
	return view as X;
}

/** Whether what an event or a text names is an element. */
export const isElement = (node: unknown): node is Element => {
	try {
		return nodeType(node as Node) === Node.ELEMENT_NODE;
	} catch {
		return false;
	}
};
