import { own } from '../../probe/own.ts';

/** Attributes that would load, connect or start something, by element; they are renamed. */
const SET_ASIDE: Readonly<Record<string, readonly string[]>> = {
	iframe: ['src', 'srcdoc'],
	frame: ['src'],
	fencedframe: ['src', 'config'],
	embed: ['src'],
	object: ['data'],
	meta: ['http-equiv'],
	link: ['rel'],
	// A title makes a sheet one of several that a reader can choose.
	style: ['title']
};
const SET_ASIDE_OF_ALL = ['autofocus', 'ping', 'attributionsrc'];

/** Attributes of a `<link>` to a sheet that mean nothing on a `<style>` in its place. */
const OF_LINKS = new Set(['rel', 'href', 'title', 'type', 'disabled']);

/** A page in a form that may be put into a frame, with its shadow trees. */
export interface InertPage {
	readonly document: Document;
	readonly shadows: readonly ShadowRoot[];
}

function setAside(element: Element, name: string): void {
	const value = own(element).getAttribute(name);
	if (value === null) return;
	own(element).removeAttribute(name);
	own(element).setAttribute(`data-aside-${name}`, value);
}

const isSheet = (element: Element): boolean =>
	own(element).localName === 'link' && /(^|\s)stylesheet(\s|$)/i.test(own(element).getAttribute('rel') ?? '');

/** Whether an element is a sheet whose text is set afterwards. */
const isFilled = (element: Element): boolean =>
	own(element).localName === 'style' && /^(text\/css)?$/i.test(own(element).getAttribute('type') ?? '');

/** An empty `<style>` in place of a `<link>` to a sheet, so that its text can be set and paths stay the same. */
function asStyle(link: Element): void {
	const style = own(own(link).ownerDocument).createElement('style');
	for (const { name, value } of own(link).attributes)
		if (!OF_LINKS.has(name)) style.setAttribute(name, value);
	own(link).replaceWith(style);
}

/** Whether a sheet of a shadow tree, which the frame loads by itself, is on the same host. */
function isOwn(link: Element): boolean {
	try {
		return new URL(own(link).getAttribute('href') ?? '', location.href).origin === location.origin;
	} catch {
		return false;
	}
}

/**
 * Gives the parent of a `<template shadowrootmode>` its shadow tree (HTML §4.12.3); undefined where it is no such
 * template.
 */
function shadowOf(template: HTMLTemplateElement): ShadowRoot | undefined {
	const host = own(template).parentElement;
	const mode = template.getAttribute('shadowrootmode')?.toLowerCase();
	if (!host || !/^(open|closed)$/.test(mode ?? '') || own(host).shadowRoot) return undefined;
	try {
		// Open, so that its content can be read.
		const shadow = own(host).attachShadow({
			mode: 'open',
			delegatesFocus: template.hasAttribute('shadowrootdelegatesfocus')
		});
		shadow.append(template.content);
		template.remove();
		return shadow;
	} catch {
		// An element that cannot have one; the template stays one.
		return undefined;
	}
}

/**
 * A page's source as parsed by the browser itself, in a document in which nothing loads, connects or runs (HTML
 * §8.5.1), with everything that would do so in a frame disabled: nested documents, meta policies, refreshes, links
 * other than sheets; in shadow trees and templates too. Sheets are empty `<style>` elements in their places.
 */
export function inertPage(source: string): InertPage {
	const document = new DOMParser().parseFromString(source, 'text/html');
	const shadows: ShadowRoot[] = [];
	const waiting: (readonly [tree: Document | DocumentFragment, isPage: boolean])[] = [[document, true]];
	for (let next = waiting.pop(); next; next = waiting.pop()) {
		const [tree, isPage] = next;
		for (const element of own(tree).querySelectorAll('*')) {
			const name = own(element).localName;
			if (isSheet(element)) {
				if (isPage) asStyle(element);
				else if (isOwn(element)) own(element).setAttribute('rel', 'stylesheet');
				else setAside(element, 'rel');
				continue;
			}
			if (isPage && isFilled(element)) element.textContent = '';
			for (const one of SET_ASIDE[name] ?? []) setAside(element, one);
			for (const one of SET_ASIDE_OF_ALL) setAside(element, one);
			if (name !== 'template' || !('content' in element)) continue;
			const template = element as HTMLTemplateElement;
			const shadow = shadowOf(template);
			if (shadow) shadows.push(shadow);
			waiting.push([shadow ?? template.content, false]);
		}
	}
	return { document, shadows };
}

/** The doctype of a document as in a source; '' without one. It alone decides the mode of a document. */
export function doctypeOf({ doctype }: Document): string {
	if (!doctype) return '';
	const { name, publicId, systemId } = doctype;
	const quoted = (id: string): string => (id.includes('"') ? `'${id}'` : `"${id}"`);
	const ids = publicId
		? ` PUBLIC ${quoted(publicId)}${systemId ? ` ${quoted(systemId)}` : ''}`
		: systemId && ` SYSTEM ${quoted(systemId)}`;
	return `<!DOCTYPE ${name}${ids}>`;
}
