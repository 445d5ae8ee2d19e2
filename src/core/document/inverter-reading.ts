/** What an inverter says of itself by SunSpec models; null where it does not implement a point. */
export interface InverterReading {
	readonly manufacturer: string;
	readonly model: string;
	readonly serial: string;
	/** W */
	readonly acWatts: number | null;
	readonly dcWatts: number | null;
	/** Operating state in words. */
	readonly state: string;
	readonly inputs: readonly {
		readonly name: string;
		readonly volts: number | null;
		readonly amps: number | null;
		readonly watts: number | null;
	}[];
}
