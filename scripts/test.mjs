// All checks in order. The last line is the plain sum over the runners.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
const results = join(root, '.cache', 'results');
const CHROMIUM = '/usr/bin/chromium';

/** @typedef {{ passed: number, failed: number }} Sum */

/** @param {string} name @returns {any} */
function report(name) {
	const file = join(results, name);
	return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
}

/** @returns {Sum} */
function unitSum() {
	const found = report('unit.json');
	return found
		? { passed: found.numPassedTests, failed: found.numFailedTests + found.numRuntimeErrorTestSuites }
		: { passed: 0, failed: 1 };
}

/** @returns {Sum} */
function endSum() {
	const stats = report('end.json')?.stats;
	return stats
		? { passed: stats.expected, failed: stats.unexpected + stats.flaky }
		: { passed: 0, failed: 1 };
}

/**
 * Chromium from Debian's packages, where it is missing and the user may install it.
 * @param {(command: string, args: readonly string[]) => number} run
 */
function haveChromium(run) {
	if (existsSync(CHROMIUM)) return true;
	if (process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')) {
		run('apt-get', ['update', '-qq']);
		run('apt-get', ['install', '-y', '-qq', 'chromium']);
	}
	if (existsSync(CHROMIUM)) return true;
	console.error(
		`The end-to-end tests want Chromium at ${CHROMIUM}: as root, run "apt-get install chromium".`
	);
	return false;
}

/**
 * All checks; of the end-to-end tests only a look at every screen where it is to be quick.
 *
 * @param {{
 *   run: (command: string, args: readonly string[]) => number,
 *   runBeside: (command: string, args: readonly string[]) => Promise<{ status: number, output: string }>,
 *   build: () => void,
 *   isQuick: boolean
 * }} tools
 * @returns {Promise<number>}
 */
export async function test({ run, runBeside, build, isQuick }) {
	rmSync(results, { recursive: true, force: true });
	mkdirSync(results, { recursive: true });
	/** @type {Sum} */
	const sum = { passed: 0, failed: 0 };
	/** @param {string} name @param {number} status */
	const told = (name, status) => {
		if (status !== 0) console.error(`== ${name}: failed`);
		return status;
	};
	/** @param {Sum} part @param {number} status */
	const count = (part, status) => {
		sum.passed += part.passed;
		sum.failed += part.failed || (status !== 0 || part.passed === 0 ? 1 : 0);
	};
	// Side by side, told in this order.
	run('svelte-kit', ['sync']);
	const lint = runBeside('npm', ['run', '--silent', 'lint']);
	const types = runBeside('npm', ['run', '--silent', 'types']);
	const unit = runBeside('vitest', [
		'run',
		'--reporter=dot',
		'--reporter=json',
		'--outputFile.json=.cache/results/unit.json'
	]);
	for (const [name, task] of Object.entries({ lint, types, unit })) {
		const { status, output } = await task;
		console.log(`\n== ${name}\n${output}`);
		told(name, status);
		if (name === 'unit') count(unitSum(), status);
		else if (status !== 0) sum.failed++;
	}
	console.log('\n== build');
	build();
	if (haveChromium(run)) {
		console.log('\n== end-to-end');
		const status = told('end-to-end', run('playwright', ['test', ...(isQuick ? ['--grep', '@smoke'] : [])]));
		count(endSum(), status);
	} else sum.failed++;
	console.log(`\n${sum.passed} passed, ${sum.failed} failed`);
	return sum.failed === 0 && sum.passed > 0 ? 0 : 1;
}
