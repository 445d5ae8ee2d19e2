import type { Problem } from '$core/document';

declare global {
	namespace App {
		interface Error extends Partial<Omit<Problem, 'what'>> {
			message: string;
		}
		interface Locals {
			/** How many events of the visit had been told when the request came. */
			told: number;
		}
	}
}

export {};
