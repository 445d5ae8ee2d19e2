import { inSentence } from '../units';
import type { NameOfPart } from './messages';
import type { ArrayRecord } from './record';

/** Something of a record that was looked for. */
export interface RecordHit {
	readonly kind: 'part' | 'string' | 'module' | 'module-type';
	/** Id of the part, the string or the type; of the string for a module. */
	readonly id: string;
	/** What it is called: "INV 1, inverter", "A3, module 7". */
	readonly name: string;
	/** What was found in it, with its name: "serial LW22-70414". */
	readonly said: string;
}

/** Words that people say in the place of those of the record. */
const UNDERSTOOD: Readonly<Record<string, string>> = {
	panel: 'module',
	panels: 'module',
	modules: 'module',
	ground: 'earth'
};

/** The words of a question, lower case, each as the record would say it. */
export function wordsOf(question: string): string[] {
	return question
		.toLowerCase()
		.split(/\s+/)
		.filter(Boolean)
		.map((word) => UNDERSTOOD[word] ?? word);
}

/** Whether each word stands somewhere in a text. */
export function holdsAll(text: string, words: readonly string[]): boolean {
	const lower = text.toLowerCase();
	return words.every((word) => lower.includes(word));
}

/**
 * Parts, strings, modules and types of a record in which every word of a question stands: marks,
 * models, serials, device codes, places and kinds.
 */
export function searchRecord(
	record: ArrayRecord,
	words: readonly string[],
	most: number,
	nameOfPart: NameOfPart
): RecordHit[] {
	const hits: RecordHit[] = [];
	const look = (
		hit: Omit<RecordHit, 'said'>,
		facts: readonly (readonly [name: string, value: string | null])[]
	) => {
		if (hits.length >= most) return;
		const known = facts.filter(([, value]) => value !== null && value !== '');
		const all = [hit.name, ...known.map(([name, value]) => `${name} ${value}`)].join(' ');
		if (!holdsAll(all, words)) return;
		const said = known.filter(([name, value]) =>
			words.some((word) => `${name} ${value}`.toLowerCase().includes(word))
		);
		hits.push({ ...hit, said: said.map(([name, value]) => `${name} ${value}`).join(', ') });
	};
	for (const { id, kind, mark, model, serial, place } of record.parts) {
		look({ kind: 'part', id, name: `${mark}, ${inSentence(nameOfPart(kind))}` }, [
			['model', model],
			['serial', serial],
			['place', place]
		]);
	}
	for (const { id, name, plate: nameplate } of record.moduleTypes) {
		look({ kind: 'module-type', id, name: `${name}, module type` }, [
			['watts', String(nameplate.pmax)]
		]);
	}
	for (const { id, label, input, connectors, modules } of record.strings) {
		look({ kind: 'string', id, name: `${label}, string` }, [
			['input', input],
			['connectors', connectors]
		]);
		for (const { number, serial, deviceCode } of modules) {
			if (serial === null && deviceCode === null) continue;
			look({ kind: 'module', id, name: `${label}, module ${number}` }, [
				['serial', serial],
				['device', deviceCode]
			]);
		}
	}
	return hits;
}
