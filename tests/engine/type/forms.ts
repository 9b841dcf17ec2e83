/** Sizes in many forms of math, an element each (CSS Values 4 §10, CSS Fonts 4 §2.5). */
const FORMS: readonly string[] = [
	'17px',
	'1.3rem',
	'1.2em',
	'130%',
	'2vw',
	'2vi',
	'3vh',
	'3vb',
	'2vmin',
	'2vmax',
	'2svw',
	'3dvh',
	'3lvh',
	'12pt',
	'0.5cm',
	'6mm',
	'24q',
	'0.2in',
	'1.1pc',
	'smaller',
	'larger',
	'x-large',
	'xx-small',
	'medium',
	'calc(1rem + 1vw)',
	'calc(2rem - 0.5vw)',
	'calc((1rem + 2vw) / 2)',
	'calc(2 * (1rem + 0.25vw))',
	'calc(1.5 * 1em)',
	'calc(120%)',
	'1.3rem',
	'calc(50% + 1vw)',
	'min(3vw, 2rem)',
	'max(1rem, 2vw)',
	'min(40px, 2rem, 5vw)',
	'max(12px, 1vw, 0.9em)',
	'clamp(1rem, 0.5rem + 2vw, 2rem)',
	'clamp(1em, 3vw, 3em)',
	'clamp(2rem, 3vw, 1rem)',
	'clamp(1rem, 4vw - 20px, 60px)',
	'max(1rem, min(2vw, 3rem), 4vw - 40px)',
	'min(max(10px, 2vw), max(20px, 1vw))',
	'calc(clamp(1rem, 2vw, 2rem) + 0.3vw)',
	'calc(clamp(1rem, 2vw, 2rem) * 1.25)',
	'round(2vw, 1px)',
	'round(up, 2vw, 4px)',
	'round(down, 2vw, 0.25rem)',
	'round(to-zero, 3vw - 20px, 3px)',
	'round(nearest, 1.5em, 5px)',
	'calc(10px + mod(3vw, 12px))',
	'calc(12px + rem(2vw, 7px))',
	'calc(30px + mod(-1vw, 9px))',
	'calc(20px + sign(100vw - 700px) * 6px)',
	'calc(16px + abs(100vw - 900px) / 40)',
	'abs(1rem - 2vw)',
	'calc(1rem + (100vw - 400px) / 100)',
	'calc(16px + (100vw - 400px) / (1600 - 400) * 20)',
	'clamp(1rem, calc(0.8rem + 1.2vw), 1.8rem)',
	'var(--step)',
	'calc(var(--step) * 1.2)',
	'var(--none, 1.4rem)',
	'max(var(--step), var(--far, 3vw))'
];

/** A page with an element for each form, across thresholds on one side or the other, and nested relative sizes. */
export const formsPage = (): Record<string, string> => ({
	'forms.css': `
html { font-size: 106.25%; }
@media (width >= 1500px) { html { font-size: calc(1rem + 0.1vw); } }
:root { --step: clamp(1.1rem, 0.9rem + 1vw, 1.9rem); }
@media (max-width: 599.5px) { :root { --step: 1.25em; } }
section { font-size: 0.9em; }
tt i { font-family: serif; }
.half, .half .half { font-size: 0.7em; }
@media (width > 700.25px) { section { font-size: 1.1em; } }
@media (min-width: 900px) and (max-width: 1200px) { h1 { font: 700 3.1rem/1.2 serif; } h2 { font-size: calc(1rem + 3vw); } }
@layer low, high;
@layer high { h3 { font-size: 2.5vw; } }
@layer low { h3 { font-size: 40px; } }
@supports (display: grid) { h4 { font-size: 1.3em; } }
${FORMS.map((form, i) => `.f${i} { font-size: ${form}; }`).join('\n')}`,
	'forms.html': `<!doctype html><html><head><meta charset="utf-8"><link rel="stylesheet" href="forms.css"></head><body>
<h1>One</h1><h2>Two <small>less</small></h2><h3>Three</h3><h4>Four</h4><h5>Five</h5><h6>Six <sup>7</sup></h6>
<section><h1>In a section</h1><p>Words <code>code</code> <b>bold</b></p><button>Button</button><pre>pre <code>in it</code></pre></section>
<div class="half">Half <div class="half">of a half</div></div><p style="font-size: 1.5em">Styled</p>
<section>${FORMS.map((_, i) => `<p class="f${i}">Form ${i} <span>inside</span> <code>code</code> <code class="f${i}">own</code> <tt><i>in it</i></tt></p>`).join('')}</section></body></html>`
});

export const FORM_COUNT = FORMS.length;
