import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { sendOrder, type PdfOrder, type Photographs } from './pdf-order';

/** Built beside the command line; where it is missing, as in unit tests, the PDF is made here. */
const MAKER = resolve(process.env['ZEMBO_TOOLS'] ?? 'build-tools', 'pdf-maker.js');

/**
 * A report as PDF, made in a process of its own.
 *
 * @param onProgress told the share that is written, 0 to 1
 * @yields its bytes as they are written
 * @throws where the process fails; nothing may have been written then
 */
export async function* makePdf(
	order: PdfOrder,
	photographs: Photographs,
	onProgress: (share: number) => void = () => undefined
): AsyncGenerator<Uint8Array> {
	if (!existsSync(MAKER)) {
		const { reportPdf } = await import('./pdf');
		const pictures = new Map<string, Uint8Array>();
		for await (const [id, bytes] of photographs) pictures.set(id, bytes);
		const { report, page, at } = order;
		yield* await reportPdf(report, pictures, page, new Date(at), onProgress);
		return;
	}
	const maker = spawn(process.execPath, [MAKER], { stdio: ['pipe', 'pipe', 'inherit', 'ipc'] });
	const ended = new Promise<number | null>((done, failed) => {
		maker.once('error', failed);
		maker.once('exit', done);
	});
	// A process that ends early closes its input: its end says so, not this.
	maker.stdin!.on('error', () => undefined);
	maker.on('message', (share: number) => onProgress(share));
	try {
		await sendOrder(order, photographs, maker.stdin!);
		yield* maker.stdout! as AsyncIterable<Uint8Array>;
		const code = await ended;
		if (code !== 0) throw new Error(`The report was not made: its process ended with ${code}.`);
	} finally {
		maker.kill();
	}
}
