import type { ChildProcess } from 'node:child_process';

export interface RunningServer {
	url: string;
	process: ChildProcess;
	stop(): Promise<void>;
}

export const root: string;
export function say(words: string): void;
export function run(command: string, args: string[], options?: { env?: NodeJS.ProcessEnv }): void;
export function ensurePackages(): void;
export function ensureBuild(): void;
export function ensureChromium(): string;
export function startServer(options: {
	data: string;
	port?: number;
	quiet?: boolean;
	env?: NodeJS.ProcessEnv;
}): Promise<RunningServer>;
export class NotStarted extends Error {}
export function freePort(): Promise<number>;
export function loadDemo(url: string): Promise<number>;
