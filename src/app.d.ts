declare global {
	namespace App {
		interface Error {
			message: string;
		}
		interface Locals {
			theme: 'auto' | 'light' | 'dark';
		}
	}
}

export {};
