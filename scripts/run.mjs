// The tasks of package.json. Plain Node, so that it runs on a fresh clone before anything is installed.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** @param {string} sentence @returns {never} */
function stop(sentence) {
	console.error(sentence);
	process.exit(1);
}

const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
if (major !== 20 || minor < 19) {
	stop(`Vantaggio runs on Node 20.19 or a later 20; this is Node ${process.versions.node}.`);
}

const root = join(import.meta.dirname, '..');
const [task = '', ...rest] = process.argv.slice(2);

const PATH = `${join(root, 'node_modules', '.bin')}:${process.env.PATH ?? ''}`;

/**
 * @param {string} command
 * @param {readonly string[]} args
 * @param {NodeJS.ProcessEnv} [env]
 * @returns {number}
 */
function run(command, args, env = {}) {
	const { status, error } = spawnSync(command, args, {
		cwd: root,
		stdio: 'inherit',
		env: { ...process.env, ...env, PATH }
	});
	if (error) console.error(`${command} cannot be run: ${error.message}`);
	return status ?? 1;
}

/**
 * Runs a command beside others: what it prints is kept until it has ended.
 * @param {string} command
 * @param {readonly string[]} args
 * @returns {Promise<{ status: number, output: string }>}
 */
const runBeside = (command, args) =>
	new Promise((resolve) => {
		const child = spawn(command, args, { cwd: root, env: { ...process.env, PATH } });
		let output = '';
		for (const stream of [child.stdout, child.stderr])
			stream.setEncoding('utf8').on('data', (/** @type {string} */ text) => (output += text));
		child.on('error', ({ message }) =>
			resolve({ status: 1, output: `${command} cannot be run: ${message}` })
		);
		child.on('close', (status) => resolve({ status: status ?? 1, output }));
	});

/** @param {string} what @param {string} command @param {readonly string[]} args */
function must(what, command, args) {
	if (run(command, args) !== 0) stop(`${what} failed; what it printed is above.`);
}

/** Whether what is installed is what the lock file names. */
function isInstalled() {
	const lock = join(root, 'node_modules', '.package-lock.json');
	const native = join(root, 'node_modules', 'sqlite3', 'build', 'Release', 'node_sqlite3.node');
	if (!existsSync(lock) || !existsSync(native)) return false;
	/** @param {string} file @returns {Record<string, { version?: string, dev?: boolean, optional?: boolean }>} */
	const packages = (file) => JSON.parse(readFileSync(file, 'utf8')).packages;
	const have = packages(lock);
	return Object.entries(packages(join(root, 'package-lock.json'))).every(
		([name, { version, optional }]) => name === '' || optional || have[name]?.version === version
	);
}

function install() {
	if (isInstalled()) return;
	console.log('Installing packages; sqlite3 is compiled, which takes some minutes.');
	must('The installation', 'npm', ['ci']);
}

/** @param {string} path @returns {number} */
function newest(path) {
	const stat = statSync(path);
	if (!stat.isDirectory()) return stat.mtimeMs;
	return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))));
}

const STAMP = join(root, 'build', 'stamp');

function build() {
	const sources = [
		'src',
		'static',
		'package-lock.json',
		'svelte.config.js',
		'vite.config.ts',
		'vite.stage.config.ts'
	];
	const latest = Math.max(...sources.map((name) => newest(join(root, name))));
	if (existsSync(STAMP) && statSync(STAMP).mtimeMs > latest) return;
	must('The build of the application', 'vite', ['build', '--logLevel', 'warn']);
	must('The build of the stage', 'vite', ['build', '--config', 'vite.stage.config.ts', '--logLevel', 'warn']);
	must('The build of the server', 'esbuild', [
		'src/lib/server/front/main.ts',
		'--bundle',
		'--platform=node',
		'--format=esm',
		'--target=node20',
		'--outfile=build/front.js',
		'--log-level=warning'
	]);
	must('The build of the server’s thread', 'esbuild', [
		'src/lib/server/work/worker.ts',
		'--bundle',
		'--platform=node',
		'--format=esm',
		'--target=node20',
		'--packages=external',
		'--alias:$lib=./src/lib',
		'--outfile=build/worker.js',
		'--log-level=warning'
	]);
	writeFileSync(STAMP, new Date().toISOString());
}

/** @param {readonly string[]} args */
const serve = (args) =>
	process.exit(run(process.execPath, ['build/front.js', ...args], { VANTAGGIO_HOME: root }));

switch (task) {
	case 'demo':
		install();
		build();
		serve(['--demo', ...rest]);
		break;
	case 'start':
		install();
		build();
		serve(rest);
		break;
	case 'dev':
		install();
		build();
		process.exit(run('vite', ['dev', ...rest]));
		break;
	case 'build':
		install();
		build();
		break;
	case 'test': {
		install();
		const { test } = await import('./test.mjs');
		process.exit(await test({ run, runBeside, build, isQuick: rest.includes('quick') }));
		break;
	}
	case 'bench':
		install();
		build();
		process.exit(
			// Room for what a run leaves, so that collecting it is no part of what is compared.
			run('tsx', ['--min-semi-space-size=512', '--max-semi-space-size=512', 'bench/run.ts', ...rest])
		);
		break;
	case 'screenshots':
		install();
		build();
		process.exit(run('tsx', ['scripts/screenshots.ts', ...rest]));
		break;
	default:
		stop(`There is no task "${task}".`);
}
