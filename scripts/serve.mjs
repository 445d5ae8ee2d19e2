/* The production server: loopback unless told otherwise, the next free port unless one is named. */
import { createServer } from 'node:http';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { answersTo, refusalToListen } from './hosts.mjs';
import { ROOT } from './ready.mjs';
import { readOut } from './unread-body.mjs';

const FIRST_PORT = 4870;
const PORTS_TRIED = 50;

/** Binds to the named port, or to the first free one from 4870 on. */
async function listen(server, host, named) {
	const ports = named ? [named] : Array.from({ length: PORTS_TRIED }, (_, i) => FIRST_PORT + i);
	for (const port of ports) {
		const failed = await new Promise((resolve) => {
			server.once('error', resolve);
			server.listen(port, host, () => {
				server.removeListener('error', resolve);
				resolve(null);
			});
		});
		if (!failed) return;
		if (failed.code !== 'EADDRINUSE' || named) throw failed;
	}
	throw new Error(`No free port from ${FIRST_PORT} to ${FIRST_PORT + PORTS_TRIED - 1}.`);
}

/** The application's handler; it opens the database, so what is wrong with that shows here. */
async function handlerOf(entry) {
	try {
		return (await import(pathToFileURL(entry).href)).handler;
	} catch (error) {
		console.error(`Zembo did not start: ${error.message}`);
		console.error(
			`Its database is ${process.env.ZEMBO_DATABASE ?? 'data/zembo.db'}; ZEMBO_DATABASE names another file. Nothing was changed.`
		);
		process.exit(1);
	}
}

/** A request under a name that is not this server's is refused whatever it asks for. */
function refuse(response) {
	response.writeHead(421, {
		'content-type': 'text/plain; charset=utf-8',
		'x-content-type-options': 'nosniff',
		connection: 'close'
	});
	response.end(
		'This Zembo does not go by that name. Open it as localhost, or name it in ZEMBO_HOSTS and start it again.\n'
	);
}

/** Serves the built application; resolves with its address once it listens. */
export async function serve() {
	const host = process.env.HOST ?? '127.0.0.1';
	const refusal = refusalToListen(host, process.env);
	if (refusal) {
		console.error(refusal);
		process.exit(1);
	}
	const entry = join(ROOT, 'build/handler.js');
	if (!existsSync(entry)) {
		console.error('Zembo is not built yet: run npm run build first.');
		process.exit(1);
	}
	// Plain http has no header that says so; without it the check of a form's origin would fail.
	process.env.PROTOCOL_HEADER ??= 'x-forwarded-proto';
	process.env.BODY_SIZE_LIMIT ??= '288M';
	// Where reports are made beside the server.
	process.env.ZEMBO_TOOLS ??= join(ROOT, 'build-tools');
	// What takes long is answered in processes beside it.
	process.env.ZEMBO_LANE_ENTRY ??= join(ROOT, 'scripts/lane.mjs');
	const handler = await handlerOf(entry);
	const server = createServer((request, response) => {
		if (!answersTo(request.headers.host, host, process.env.ZEMBO_HOSTS)) return refuse(response);
		// The application's own answers have it from hooks.server.ts; files are served without it.
		response.setHeader('x-content-type-options', 'nosniff');
		request.headers['x-forwarded-proto'] ??= 'http';
		readOut(request, response);
		handler(request, response, () => response.writeHead(404).end());
	});
	// Longer than browsers and proxies keep a line, so that none is closed in the moment it is used again.
	server.keepAliveTimeout = 75_000;
	await listen(server, host, Number(process.env.PORT) || 0);
	const stop = () => {
		server.close();
		server.closeAllConnections();
		process.emit('sveltekit:shutdown', 'signal');
		setTimeout(() => process.exit(0), 200).unref();
	};
	process.once('SIGINT', stop);
	process.once('SIGTERM', stop);
	return `http://${host.includes(':') ? `[${host}]` : host}:${server.address().port}`;
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
	console.log(`Zembo listens at ${await serve()}`);
}
