import { QUANTITIES } from '../visit';
import { describe, expect, it } from 'vitest';
import { visitJsonSchema } from './json-schema';

interface Node {
	readonly type?: string;
	readonly properties?: Readonly<Record<string, Node>>;
	readonly required?: readonly string[];
	readonly additionalProperties?: boolean;
	readonly propertyNames?: unknown;
	readonly const?: unknown;
	readonly items?: Node;
	readonly enum?: readonly string[];
}

const schema = visitJsonSchema() as Node & { readonly $schema: string; readonly title: string };
const at = (...path: string[]) =>
	path.reduce<Node>((node, key) => (key === '[]' ? node.items! : node.properties![key]!), schema);

describe('the published form of a visit file', () => {
	it('names its draft, its format and its version', () => {
		expect(schema.$schema).toContain('2020-12');
		expect(schema.title).toBe('zembo-visit 8');
		expect(at('format').const).toBe('zembo-visit');
		expect(at('version').const).toBe(8);
	});

	it('allows nothing that it does not name, at any depth', () => {
		const loose: string[] = [];
		const walk = (node: Node, path: string) => {
			// Keys of a list by code are named instead.
			const named = node.propertyNames !== undefined;
			if (node.type === 'object' && node.additionalProperties !== false && !named) loose.push(path);
			for (const [name, child] of Object.entries(node.properties ?? {}))
				walk(child, `${path}.${name}`);
			if (node.items) walk(node.items, `${path}[]`);
		};
		walk(schema, 'visit');
		expect(loose).toEqual([]);
	});

	it('says of a reading what a program needs to write one', () => {
		const reading = at('visit', 'readings', '[]');
		expect(reading.required).toEqual([
			'id',
			'place',
			'quantity',
			'state',
			'value',
			'atVolts',
			'typed',
			'confirmed',
			'source',
			'takenAt',
			'by',
			'supersedes'
		]);
		expect(reading.properties!['quantity']!.enum).toEqual(QUANTITIES);
	});
});
