import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** A route of the application as its files tell it. */
export interface FuzzedRoute {
	/** With parameters in brackets. */
	readonly path: string;
	/** Named actions of its page's forms; "default" for the one without a name. */
	readonly actions: readonly string[];
	/** Methods that it takes. */
	readonly methods: readonly string[];
}

/** Every route that answers: pages, forms and endpoints. A new one is found without being named anywhere. */
export function findRoutes(folder = 'src/routes'): FuzzedRoute[] {
	const routes: FuzzedRoute[] = [];
	const walk = (below: string) => {
		const entries = readdirSync(join(folder, below), { withFileTypes: true });
		const files = entries.filter((entry) => entry.isFile()).map(({ name }) => name);
		if (files.some((name) => /^\+(server|page)\./.test(name))) {
			const here = join(folder, below);
			const actions = actionsOf(here, files);
			routes.push({ path: `/${below}`, actions, methods: methodsOf(here, files, actions) });
		}
		for (const entry of entries) if (entry.isDirectory()) walk(join(below, entry.name));
	};
	walk('');
	return routes;
}

function actionsOf(folder: string, files: readonly string[]): string[] {
	if (!files.includes('+page.server.ts')) return [];
	const text = readFileSync(join(folder, '+page.server.ts'), 'utf8');
	const from = text.indexOf('export const actions');
	if (from < 0) return [];
	return [...text.slice(from).matchAll(/^\t(\w+): async/gm)].map(([, name]) => name!);
}

function methodsOf(folder: string, files: readonly string[], actions: readonly string[]): string[] {
	if (!files.includes('+server.ts')) return actions.length > 0 ? ['GET', 'POST'] : ['GET'];
	const text = readFileSync(join(folder, '+server.ts'), 'utf8');
	return [...text.matchAll(/^export const (GET|POST|PUT|PATCH|DELETE)\b/gm)].map(
		([, name]) => name!
	);
}
