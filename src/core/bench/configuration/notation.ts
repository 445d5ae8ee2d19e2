import { refuse, type Result, succeed } from '../../units';
import { tidy, type ArrayConfiguration } from './tree';

/*
 * A mix as one types it: marks with + in series, | in parallel, brackets where they nest, and @ for the
 * light on a module: "1+2 | 3+4@20". Series bind closer than parallel.
 */

/** A mix in its notation. */
export function writeConfiguration(
	mix: ArrayConfiguration,
	markOf: (of: string) => string
): string {
	switch (mix.kind) {
		case 'module': {
			const irradiance = mix.irradiance === 1 ? '' : `@${Math.round(100 * mix.irradiance)}`;
			return `${markOf(mix.of)}${irradiance}`;
		}
		case 'series':
			return mix.parts
				.map((part) =>
					part.kind === 'parallel'
						? `(${writeConfiguration(part, markOf)})`
						: writeConfiguration(part, markOf)
				)
				.join('+');
		case 'parallel':
			return mix.parts.map((part) => writeConfiguration(part, markOf)).join(' | ');
	}
}

const TOKEN = /\s*([+|()]|[^\s+|()]+)/y;
const MOST_MODULES = 60;

/**
 * Reads a mix; ids of places count from the left, so that the same text gives the same places.
 *
 * @param idOf id of the module of a mark; null where there is none
 */
export function readConfiguration(
	typed: string,
	idOf: (mark: string) => string | null
): Result<ArrayConfiguration, string> {
	const tokens: string[] = [];
	TOKEN.lastIndex = 0;
	for (let at = 0; at < typed.trimEnd().length; at = TOKEN.lastIndex) {
		TOKEN.lastIndex = at;
		const found = TOKEN.exec(typed);
		if (!found) break;
		tokens.push(found[1]!);
	}
	if (tokens.length === 0) {
		return refuse('Type an arrangement: marks with + in series and | in parallel, as 1+2 | 3+4.');
	}
	let at = 0;
	let places = 0;
	let groups = 0;
	const problems: string[] = [];
	const group = (
		kind: 'series' | 'parallel',
		separator: string,
		inner: () => ArrayConfiguration | null
	) => {
		const id = `g${++groups}`;
		const parts: ArrayConfiguration[] = [];
		for (;;) {
			const part = inner();
			if (!part) return null;
			parts.push(part);
			if (tokens[at] !== separator) break;
			at++;
		}
		return parts.length === 1 ? parts[0]! : { kind, id, parts };
	};
	const parallel = (): ArrayConfiguration | null => group('parallel', '|', series);
	const series = (): ArrayConfiguration | null => group('series', '+', single);
	const single = (): ArrayConfiguration | null => {
		const token = tokens[at++];
		if (token === '(') {
			const inside = parallel();
			if (!inside) return null;
			if (tokens[at++] !== ')') {
				problems.push('A bracket is opened and not closed. Close it with ).');
				return null;
			}
			return inside;
		}
		if (token === undefined || token === ')' || token === '+' || token === '|') {
			problems.push(
				`A module is missing ${token === undefined ? 'at the end' : `before “${token}”`}. Type its mark there.`
			);
			return null;
		}
		const [mark = '', irradiance] = token.split('@');
		const of = idOf(mark);
		if (of === null) {
			problems.push(`There is no module ${mark} to take. Mend the mark.`);
			return null;
		}
		const share = irradiance === undefined ? 1 : Number(irradiance) / 100;
		if (!(share >= 0 && share <= 1)) {
			problems.push(
				`“@${irradiance}” is no share of sunlight. Type percent from 0 to 100 after the @.`
			);
			return null;
		}
		return { kind: 'module', id: `m${++places}`, of, irradiance: share };
	};
	const mix = parallel();
	if (mix && at < tokens.length) problems.push(`“${tokens[at]}” is left over. Take it out.`);
	if (places > MOST_MODULES) problems.push(`A mix holds ${MOST_MODULES} modules at most.`);
	return mix && problems.length === 0 ? succeed(tidy(mix)) : refuse(problems[0]!);
}
