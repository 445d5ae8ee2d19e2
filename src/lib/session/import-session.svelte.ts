import { v7 as uuid } from 'uuid';
import {
	importQuestions,
	type Layout,
	layoutProblem,
	matchUnits,
	type MonitoredQuantity,
	type PreviewPeak,
	SampleReader
} from '$core/monitoring';
import type { ArrayRecord } from '$core/record';
import { zoneOf } from '$lib/time/zone';
import { send, sendJson, type Answer } from '$lib/session/send-json';
import { openExport, readHead, type ExportHead } from '../monitoring/export-head';

/** Bytes of a file that go to the server at once. */
const PIECE = 256 * 1024;
/** Without it the server takes no body. */
const BYTES = { 'content-type': 'application/octet-stream' };
/** Wait before a piece is sent again, ms. */
const waitBefore = (attempt: number) => Math.min(10_000, 500 * 2 ** attempt);
/** Samples shown before anything is taken in. */
const SHOWN = 8;

interface PreviewSample {
	readonly unit: string;
	readonly watched: MonitoredQuantity;
	readonly at: number;
	readonly value: number;
}

/** What the beginning of a file says when it is read as described. */
export interface Preview {
	readonly samples: readonly PreviewSample[];
	readonly count: number;
	readonly names: readonly string[];
	/** Names that are found in the record. */
	readonly matched: number;
	readonly refused: readonly { readonly line: number; readonly why: string }[];
	readonly questions: readonly string[];
}

interface Standing {
	readonly received: number;
	readonly samples: number;
	readonly done: boolean;
}

/** An export on its way from the person's file into the site: looked at first, then sent piece by piece. */
export class ImportSession {
	head = $state.raw<ExportHead | null>(null);
	layout = $state.raw<Layout | null>(null);
	problem = $state('');
	/** Bytes and samples that are in so far; null while nothing runs. */
	running = $state.raw<{ readonly bytes: number; readonly samples: number } | null>(null);
	done = $state.raw<{ readonly file: string; readonly samples: number } | null>(null);
	#stop = false;

	constructor(
		readonly siteId: string,
		readonly timeZone: string
	) {}

	/** What is wrong with the columns as they are chosen. */
	get layoutProblem(): string | null {
		return this.layout ? layoutProblem(this.layout) : null;
	}

	async choose(file: File): Promise<void> {
		this.problem = '';
		this.done = null;
		this.head = null;
		const head = await openExport(file);
		if (!head.ok) return void (this.problem = `${file.name}: ${head.problem}`);
		this.head = head.value;
		this.layout = head.value.guess.layout;
	}

	cutAt(delimiter: string): void {
		if (!this.head) return;
		const head = readHead(this.head.file, this.head.text, delimiter);
		if (!head.ok) return void (this.problem = head.problem);
		this.problem = '';
		this.head = head.value;
		this.layout = head.value.guess.layout;
	}

	change(change: Partial<Layout>): void {
		if (this.layout) this.layout = { ...this.layout, ...change };
	}

	leave(): void {
		this.head = null;
		this.layout = null;
	}

	/** Reads the beginning as it is described. */
	preview(record: ArrayRecord): Preview | null {
		const { head, layout } = this;
		if (!head || !layout || layoutProblem(layout) !== null) return null;
		const reader = new SampleReader(layout, head.guess.headings, zoneOf(this.timeZone));
		const samples: PreviewSample[] = [];
		const refused: { line: number; why: string }[] = [];
		const peaks = new Map<string, PreviewPeak>();
		let count = 0;
		head.rows.slice(layout.headingLine).forEach((cells, i) => {
			const why = reader.read(cells, (unit, watched, at, value) => {
				count++;
				if (samples.length < SHOWN && value !== 0) samples.push({ unit, watched, at, value });
				const key = `${watched} ${unit}`;
				const most = Math.max(peaks.get(key)?.most ?? 0, value);
				peaks.set(key, { name: unit, watched, most });
			});
			if (why !== null) refused.push({ line: layout.headingLine + i + 1, why });
		});
		const names = [...new Set([...peaks.values()].map(({ name }) => name))];
		const targets = matchUnits(names, record);
		return {
			samples,
			count,
			names,
			matched: targets.size,
			refused,
			questions: importQuestions(record, targets, [...peaks.values()])
		};
	}

	/** Sends the file. Nothing of it is shown to anybody before all of it is in. */
	async run(): Promise<boolean> {
		const { head, layout } = this;
		if (!head || !layout) return false;
		const { file } = head;
		const id = uuid();
		const path = `/sites/${this.siteId}/monitoring/imports`;
		this.#stop = false;
		this.problem = '';
		this.running = { bytes: 0, samples: 0 };
		const begun = await sendJson(path, {
			id,
			file: file.name,
			delimiter: head.delimiter,
			layout,
			headings: head.guess.headings.map((heading) => heading.slice(0, 500))
		});
		if (!begun.ok) return this.#end(begun.words);
		for (let from = 0; ;) {
			if (this.#stop) {
				await send(`${path}/${id}`, { method: 'DELETE' });
				return this.#end('Stopped. Nothing of it was kept.');
			}
			const piece = file.slice(from, from + PIECE);
			const last = from + piece.size >= file.size;
			const answer = await this.#sendPiece(
				`${path}/${id}?from=${from}${last ? '&last=yes' : ''}`,
				piece
			);
			if (this.#stop) continue;
			if (!answer.ok) return this.#end(`${file.name}: ${answer.words} Nothing of it was kept.`);
			const { samples, done } = answer.body;
			from += piece.size;
			this.running = { bytes: from, samples };
			if (!done) continue;
			this.done = { file: file.name, samples };
			this.running = null;
			this.leave();
			return true;
		}
	}

	/** Sends a piece until the server has an answer to it, however long that takes: it stores none twice. */
	async #sendPiece(address: string, piece: Blob): Promise<Answer<Standing>> {
		for (let attempt = 0; ; attempt++) {
			const answer = await send<Standing>(address, { method: 'PUT', headers: BYTES, body: piece });
			if (answer.ok || !answer.again || this.#stop) {
				this.problem = '';
				return answer;
			}
			this.problem = `${answer.words} The import goes on as soon as it can.`;
			await new Promise((done) => setTimeout(done, waitBefore(attempt)));
		}
	}

	stop(): void {
		this.#stop = true;
	}

	#end(words: string): false {
		this.problem = words;
		this.running = null;
		return false;
	}
}
