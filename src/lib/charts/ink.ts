/** Colours of the present look. */
export interface Ink {
	readonly ink: string;
	readonly soft: string;
	readonly line: string;
	readonly accent: string;
	readonly sheet: string;
	readonly off: string;
	readonly font: string;
	readonly stroke: number;
}
