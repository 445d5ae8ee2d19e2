/** An answer, or the reason why there is none. Used wherever a person's input can be the cause. */
export type Result<Value, Problem> =
	| { readonly ok: true; readonly value: Value }
	| { readonly ok: false; readonly problem: Problem };

export function succeed<Value>(value: Value): { readonly ok: true; readonly value: Value } {
	return { ok: true, value };
}

export function refuse<Problem>(problem: Problem): {
	readonly ok: false;
	readonly problem: Problem;
} {
	return { ok: false, problem };
}
