import { once } from 'node:events';
import { orderFrom } from './pdf-order';
import { reportPdf } from './pdf';

/*
 * Makes one PDF in a process of its own: the server answers everybody else meanwhile, and the memory
 * goes with the process. The order comes on standard input, the file leaves on standard output.
 */

const { report, pictures, page, at } = await orderFrom(process.stdin);
let told = 0;
const pieces = await reportPdf(report, pictures, page, new Date(at), (share) => {
	if (share - told < 0.02) return;
	told = share;
	// Where nobody is left to hear of it, the end of the input says so.
	process.send?.(share, undefined, undefined, () => undefined);
});
for await (const piece of pieces) {
	if (!process.stdout.write(piece)) await once(process.stdout, 'drain');
}
process.disconnect?.();
