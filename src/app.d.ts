import type { Problem } from '$core/document/file';

declare global {
	namespace App {
		interface Error extends Partial<Omit<Problem, 'what'>> {
			message: string;
		}
	}
}

export {};
