import { page } from '$app/state';
import { type FigureLimits, readFigure } from '$core/document';
import { refuse, type Result } from '$core/units';
import { keepInAddress } from './address';

/** A field of a question: what it is called, within what it lies, and what stands in it at first. */
export interface FigureField extends FigureLimits {
	readonly words: string;
	readonly first: string;
	/** May stay empty. */
	readonly optional?: true;
	/** How a figure is read that people write in more ways than as a number; null where it is none. */
	readonly parse?: (typed: string) => number | null;
}

/**
 * The figures of a question, as typed; they stand in the address, so that a question can be sent to
 * somebody and comes back by the browser's own way.
 */
export class FigureForm<K extends string> {
	typed: Record<K, string> = $state(undefined as never);

	constructor(readonly fields: Readonly<Record<K, FigureField>>) {
		const asked = page.url.searchParams;
		this.typed = Object.fromEntries(
			this.keys.map((key) => [key, asked.get(key) ?? fields[key].first])
		) as Record<K, string>;
	}

	get keys(): readonly K[] {
		return Object.keys(this.fields) as K[];
	}

	/** What is wrong with a field; empty where nothing is. */
	errorsOf(key: K): string[] {
		const field = this.fields[key];
		const text = this.typed[key].trim();
		if (text === '') return field.optional ? [] : [`Type ${field.words.toLowerCase()}.`];
		const read = readField(text, field);
		return read.ok ? [] : [read.problem];
	}

	/** One figure; null where it is empty or cannot be read. */
	one(key: K): number | null {
		const read = readField(this.typed[key], this.fields[key]);
		return read.ok ? read.value : null;
	}

	/** All figures; null while one cannot be read. An empty one is NaN: ask {@link given}. */
	get figures(): Record<K, number> | null {
		if (this.keys.some((key) => this.errorsOf(key).length > 0)) return null;
		return Object.fromEntries(
			this.keys.map((key) => {
				const read = readField(this.typed[key], this.fields[key]);
				return [key, read.ok ? read.value : Number.NaN];
			})
		) as Record<K, number>;
	}

	/** Puts what is typed into the address. */
	keep(): void {
		keepInAddress(this.typed);
	}
}

function readField(text: string, field: FigureField): Result<number, string> {
	const parsed = field.parse?.(text);
	if (parsed === null) return refuse(`“${text}” cannot be read. Type it as “${field.first}”.`);
	return readFigure(parsed === undefined ? text : String(parsed), field);
}

/** A figure that may have been left empty. */
export function given(value: number): number | null {
	return Number.isNaN(value) ? null : value;
}
