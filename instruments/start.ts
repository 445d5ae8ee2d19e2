import { startInverter } from './inverter';
import { startMeter } from './meter';

/* Starts both simulated instruments on the ports given as arguments, and says where they listen. */

// They end with whoever started them, also where that was killed: its end of the line closes.
process.stdin.resume();
process.stdin.once('end', () => process.exit(0));

const [meterPort = '5025', inverterPort = '5020'] = process.argv.slice(2);
try {
	await startMeter(Number(meterPort));
	await startInverter(Number(inverterPort));
	console.log(
		`instruments listen: meter 127.0.0.1:${meterPort}, inverter 127.0.0.1:${inverterPort}`
	);
} catch (error) {
	console.error(
		`The simulated instruments did not start: ${error instanceof Error ? error.message : String(error)}`
	);
	process.exit(1);
}
