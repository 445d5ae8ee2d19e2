import ModbusRTU from 'modbus-serial';
import type { InverterReading } from '$core/document';
import { refuse, type Result, succeed } from '$core/units';
import type { InstrumentAddress } from './address';
import { DEADLINE, PATIENCE, ERRORS, type InstrumentError } from './line';

/** Where the models may begin; SunSpec Information Model Specification, from memory. */
const BASES = [40_000, 50_000, 0] as const;
/** "SunS" as two registers. */
const MARK = [0x5375, 0x6e53] as const;
const END = 0xffff;
const MOST_MODELS = 40;
const LONGEST_READ = 120;
/** Registers of a model; the longest that is read has a few hundred. */
const LONGEST_MODEL = 2000;
const COMMON = 1;
const INVERTERS = [101, 102, 103];
const MPPT = 160;
const MPPT_HEAD = 8;
const MPPT_BLOCK = 20;

const STATES: Readonly<Record<number, string>> = {
	1: 'off',
	2: 'sleeping',
	3: 'starting',
	4: 'tracking',
	5: 'throttled',
	6: 'shutting down',
	7: 'fault',
	8: 'standby'
};

/** Reads an inverter's common, inverter and MPPT models over Modbus TCP. */
export async function readInverter(
	address: InstrumentAddress,
	unit: number,
	deadline = DEADLINE
): Promise<Result<InverterReading, InstrumentError>> {
	const client = new ModbusRTU();
	try {
		await client.connectTCP(address.host, { port: address.port, timeout: PATIENCE });
	} catch {
		return refuse(ERRORS.gone(address));
	}
	client.setID(unit);
	client.setTimeout(PATIENCE);
	// What is asked when the line is cut is never answered, so the deadline is raced.
	let over: NodeJS.Timeout | undefined;
	const late = new Promise<Result<never, InstrumentError>>((resolve) => {
		over = setTimeout(() => resolve(refuse(ERRORS.silent())), deadline);
	});
	try {
		return await Promise.race([readModels(client), late]);
	} catch (error) {
		return refuse(errorOf(error));
	} finally {
		clearTimeout(over);
		client.destroy(() => undefined);
	}
}

/** What the package throws, as one of our states. */
function errorOf(error: unknown): InstrumentError {
	const { name = '', message = String(error) } = error as { name?: string; message?: string };
	if (name === 'TransactionTimedOutError' || /timed? ?out/i.test(message)) return ERRORS.silent();
	return /port|closed|reset|socket|ECONN/i.test(`${name} ${message}`)
		? ERRORS.dropped()
		: ERRORS.garbage();
}

async function registers(client: ModbusRTU, from: number, length: number): Promise<number[]> {
	const all: number[] = [];
	while (all.length < length) {
		const part = Math.min(LONGEST_READ, length - all.length);
		const { data } = await client.readHoldingRegisters(from + all.length, part);
		all.push(...data);
	}
	return all;
}

async function readModels(client: ModbusRTU): Promise<Result<InverterReading, InstrumentError>> {
	const base = await findBase(client);
	if (base === null) {
		return refuse({
			state: 'garbage',
			words:
				'It answers, and not with SunSpec models: is it an inverter, and is SunSpec switched on?'
		});
	}
	const models = new Map<number, number[]>();
	let at = base + MARK.length;
	for (let n = 0; n < MOST_MODELS; n++) {
		const [id, length] = (await registers(client, at, 2)) as [number, number];
		if (id === END || length > LONGEST_MODEL) break;
		if (id === COMMON || INVERTERS.includes(id) || id === MPPT) {
			models.set(
				INVERTERS.includes(id) ? INVERTERS[0]! : id,
				await registers(client, at + 2, length)
			);
		}
		at += 2 + length;
	}
	return succeed(readingOf(models));
}

async function findBase(client: ModbusRTU): Promise<number | null> {
	for (const base of BASES) {
		const found = await registers(client, base, MARK.length);
		if (found[0] === MARK[0] && found[1] === MARK[1]) return base;
	}
	return null;
}

function text(values: readonly number[]): string {
	return values
		.flatMap((value) => [value >> 8, value & 0xff])
		.filter((code) => code >= 0x20 && code < 0x7f)
		.map((code) => String.fromCharCode(code))
		.join('')
		.trim();
}

const asSigned = (value: number) => (value > 0x7fff ? value - 0x10000 : value);

/** A point with its scale factor; null where it is not implemented. */
function point(
	value: number | undefined,
	scale: number | undefined,
	signed = false
): number | null {
	if (value === undefined || scale === undefined) return null;
	if (signed ? value === 0x8000 || value === 0xffff : value === 0xffff) return null;
	const exponent = asSigned(scale);
	return Math.abs(exponent) > 10 ? null : (signed ? asSigned(value) : value) * 10 ** exponent;
}

function readingOf(models: ReadonlyMap<number, number[]>): InverterReading {
	const common = models.get(COMMON) ?? [];
	const inverter = models.get(INVERTERS[0]!) ?? [];
	const mppt = models.get(MPPT) ?? [];
	const count = Math.min(mppt[6] ?? 0, 50);
	return {
		manufacturer: text(common.slice(0, 16)),
		model: text(common.slice(16, 32)),
		serial: text(common.slice(48, 64)),
		acWatts: point(inverter[12], inverter[13], true),
		dcWatts: point(inverter[29], inverter[30], true),
		state: STATES[inverter[36] ?? 0] ?? 'unknown',
		inputs: Array.from({ length: count }, (_, i) => {
			const block = mppt.slice(MPPT_HEAD + i * MPPT_BLOCK, MPPT_HEAD + (i + 1) * MPPT_BLOCK);
			return {
				name: text(block.slice(1, 9)) || String(i + 1),
				amps: point(block[9], mppt[0]),
				volts: point(block[10], mppt[1]),
				watts: point(block[11], mppt[2])
			};
		})
	};
}
