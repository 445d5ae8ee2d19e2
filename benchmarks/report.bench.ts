import { readFileSync } from 'node:fs';
import { startServer } from '../tests/browser/own-server';
import { id } from './baseline/large-site';
import { readEveryString } from './baseline/read-every-string';

/*
 * The report of a visit to 3,000 modules: 120 strings, 240 readings, 40 photographs, made by the built
 * server over HTTP, with the most that its memory takes meanwhile. The baseline is the same report of
 * the demo's terminal of 8 strings.
 */

const PHOTOGRAPHS = 40;
const DEMO = '019a8000-0000-7000-8000-000000000004';
/** Photographs are made small in the browser, to about so many bytes. */
const PICTURE_BYTES = 400_000;

const server = await startServer({ demo: true });

/** Resident memory of a process, MB; 0 where it has ended. */
function memoryOf(pid: number | string): number {
	try {
		const status = readFileSync(`/proc/${pid}/status`, 'utf8');
		return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024;
	} catch {
		return 0;
	}
}
const memory = () => memoryOf(server.pid());

/** Of the processes that the server has begun, the largest. */
function memoryBeside(): number {
	const children = readFileSync(`/proc/${server.pid()}/task/${server.pid()}/children`, 'utf8');
	return Math.max(0, ...children.trim().split(' ').filter(Boolean).map(memoryOf));
}

/** A photograph of the demo, made as large as one of a camera by a comment that JPEG allows. */
function picture(): Buffer {
	const plain = readFileSync('demo/photographs/019a80ff-0000-7000-8000-000000000001.jpg');
	const parts = [plain.subarray(0, 2)];
	for (let left = PICTURE_BYTES - plain.length; left > 4; left -= 60_000) {
		const length = Math.min(60_000, left);
		const comment = Buffer.alloc(length);
		comment.writeUInt16BE(0xfffe, 0);
		comment.writeUInt16BE(length - 2, 2);
		parts.push(comment);
	}
	return Buffer.concat([...parts, plain.subarray(2)]);
}

async function send(path: string, body: BodyInit, type?: string): Promise<Response> {
	const answer = await fetch(server.address + path, {
		method: 'POST',
		body,
		headers: {
			origin: server.address,
			accept: 'application/json',
			...(type && { 'content-type': type })
		}
	});
	const said = await answer.clone().text();
	if (!answer.ok || said.includes('"failure"')) throw new Error(`${path}: ${said.slice(0, 300)}`);
	return answer;
}

async function measured(name: string, path: string): Promise<void> {
	const before = memory();
	let [peak, beside] = [before, 0];
	const watch = setInterval(() => {
		peak = Math.max(peak, memory());
		beside = Math.max(beside, memoryBeside());
	}, 20);
	const start = performance.now();
	const answer = await fetch(server.address + path);
	const bytes = (await answer.arrayBuffer()).byteLength;
	const seconds = (performance.now() - start) / 1000;
	clearInterval(watch);
	console.log(
		`  ${name}: ${seconds.toFixed(2)} s, ${(bytes / 1e6).toFixed(1)} MB; server's memory ${before.toFixed(0)} MB before, ${peak.toFixed(0)} MB at most; the process beside it ${beside.toFixed(0)} MB at most`
	);
}

try {
	console.log('\nthe report (built server on loopback)');
	await measured('baseline, 8 strings and 3 photographs, PDF', `/visits/${DEMO}/report.pdf`);
	const document = readEveryString(id(4));
	const photographs = Array.from({ length: PHOTOGRAPHS }, (_, n) => id(0x9000 + n));
	const form = new FormData();
	form.set('file', new Blob([JSON.stringify(document)]), 'depot.json');
	await send('/?/import', form);
	const visit = `/visits/${document.visit.id}`;
	for (const photograph of photographs) {
		await send(
			`${visit}/photographs?id=${photograph}&takenAt=2026-11-17T10:00:00Z&width=960&height=720`,
			new Uint8Array(picture()),
			'image/jpeg'
		);
	}
	const first = (await (await fetch(`${server.address}/visits/${DEMO}/visit.json`)).json()) as {
		inspection: { outcome: string; stop: string }[];
	};
	const finding = first.inspection.find(({ outcome }) => outcome === 'finding')!;
	for (let n = 0; n < PHOTOGRAPHS; n += 4) {
		await send(
			`${visit}/inspection`,
			JSON.stringify({
				...finding,
				id: id(0x9100 + n),
				place: null,
				words: `Finding ${n / 4 + 1} of the walk`,
				photographs: photographs.slice(n, n + 4)
			}),
			'application/json'
		);
	}
	console.log(
		`  ${document.record.strings.length} strings, ${document.visit.readings.length} readings, ${PHOTOGRAPHS} photographs of ${PICTURE_BYTES / 1000} kB`
	);
	await measured('in full, PDF', `${visit}/report.pdf`);
	await measured('in full, PDF again', `${visit}/report.pdf`);
	await measured('one page, PDF', `${visit}/report.pdf?form=short`);
	await measured('HTML', `${visit}/report.html`);
	await measured('archive', `${visit}/visit.zip`);
} finally {
	await server.remove();
}
