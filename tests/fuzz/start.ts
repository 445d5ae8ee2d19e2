import { startServer } from '../browser/own-server';
import { fuzz } from './fuzz';

/* npm run fuzz [-- requests [seed]]: random and mutated requests to every route; fails on any fault of the server. */

const [requests = '20000', seed = '1'] = process.argv.slice(2);
const server = await startServer({ demo: true });
try {
	const started = performance.now();
	const { statuses, routes, failures, slowest } = await fuzz(server, {
		requests: Number(requests),
		seed: Number(seed)
	});
	const seconds = ((performance.now() - started) / 1000).toFixed(0);
	const counts = [...statuses]
		.sort(([a], [b]) => a - b)
		.map(([status, count]) => `${status}: ${count}`)
		.join(', ');
	for (const { number, why, request } of failures.slice(0, 40)) {
		console.log(`${number}: ${why}\n  ${request}`);
	}
	console.log(
		`${requests} requests to ${routes} routes from seed ${seed} in ${seconds} s; answers ${counts}; slowest ${slowest.toFixed(0)} ms; ${failures.length} failures`
	);
	process.exitCode = failures.length > 0 ? 1 : 0;
} finally {
	await server.remove();
}
