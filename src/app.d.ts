declare global {
	namespace App {
		interface Error {
			message: string;
		}
		interface Locals {
			theme: 'auto' | 'light' | 'dark';
			/** What the person may do; null where they are not signed in. */
			role: 'office' | 'installer' | 'reader' | null;
		}
	}
}

export {};
