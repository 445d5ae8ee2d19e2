/** What may stand in a sentence: a name, a number, or another message such as the name of a place. */
export type MessageValue = string | number | Message;

/** Which sentence, and what stands in it. A catalogue of messages turns it into text of a language. */
export interface Message<Code extends string = string, Params = unknown> {
	readonly code: Code;
	readonly params: Params;
}

/** Any message of a table that gives for every code what its sentence needs. */
export type MessageOf<Table> = {
	[Code in keyof Table & string]: Message<Code, Table[Code]>;
}[keyof Table & string];

/** What a sentence without anything to fill in needs. */
export type Nothing = Readonly<Record<never, MessageValue>>;

/**
 * The function that makes messages of a table: it knows what each needs.
 *
 * @example
 * const say = messagesOf<{ 'array.strings': { count: number }; 'array.empty': Nothing }>();
 * say('array.strings', { count: 12 });
 * say('array.empty');
 */
export function messagesOf<Table>() {
	return <Code extends keyof Table & string>(
		code: Code,
		...[params]: keyof Table[Code] extends never ? [] : [Table[Code]]
	): Message<Code, Table[Code]> => ({ code, params: params ?? ({} as Table[Code]) });
}
