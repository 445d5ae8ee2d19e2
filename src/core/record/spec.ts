/** A field of a part: what is asked, in which unit and within which bounds. */
export type SpecField = Figure | Text | Choice<string>;
export type FieldOf<T extends SpecField['type']> = Extract<SpecField, { readonly type: T }>;

interface Asked {
	readonly words: string;
	readonly help: string;
}

interface Figure extends Asked {
	readonly type: 'figure';
	/** Empty for a count. */
	readonly unit: string;
	readonly min: number;
	readonly max: number;
}

interface Text extends Asked {
	readonly type: 'text';
}

export interface Choice<Option extends string> extends Asked {
	readonly type: 'choice';
	readonly options: readonly Option[];
}

export type PartFields = Readonly<Record<string, SpecField>>;
