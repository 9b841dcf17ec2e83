import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { DONE, refuse, type Result } from '../../core/text/index.ts';

/**
 * When a process began, as counted by Linux, which distinguishes processes with the same number; '' where that is
 * unknown.
 */
function beginningOf(pid: number): string {
	try {
		// The fields after the name, which is in parentheses and may contain spaces (proc_pid_stat(5)).
		return (
			readFileSync(`/proc/${pid}/stat`, 'utf8')
				.replace(/^.*\) /s, '')
				.split(' ')[19] ?? ''
		);
	} catch {
		return '';
	}
}

function isAlive(pid: number): boolean {
	try {
		process.kill(pid, 0);
		return true;
	} catch (error) {
		return (error as NodeJS.ErrnoException).code === 'EPERM';
	}
}

/** The running process that holds a folder, if any. */
function holderOf(file: string): number | null {
	try {
		const [pid = '', began = ''] = readFileSync(file, 'utf8').split(' ');
		const number = Number(pid);
		return number > 0 && number !== process.pid && isAlive(number) && beginningOf(number) === began.trim()
			? number
			: null;
	} catch {
		return null;
	}
}

/**
 * Takes a data folder for this process alone, or refuses. It is released when the process ends; a lock left by a
 * killed process does not count.
 */
export function takeFolder(folder: string): Result {
	const file = join(folder, 'server.lock');
	const holder = holderOf(file);
	if (holder !== null)
		return refuse(
			`Process ${holder} serves ${folder} already. Use that one, stop it, or set VANTAGGIO_DATA to another folder.`
		);
	try {
		mkdirSync(folder, { recursive: true });
		writeFileSync(file, `${process.pid} ${beginningOf(process.pid)}`);
	} catch (error) {
		const { code, message } = error as NodeJS.ErrnoException;
		return refuse(
			code === 'ENOSPC'
				? `The disk is full: there is no room in ${folder}. Make room, then start again.`
				: `The data folder ${folder} cannot be written into (${message}). Make it writable, or set VANTAGGIO_DATA to another folder.`
		);
	}
	process.on('exit', () => rmSync(file, { force: true }));
	return DONE;
}
