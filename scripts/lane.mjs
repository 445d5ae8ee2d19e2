/* A lane: the built application in a process of its own, for the server that started it (src/lib/server/lanes). */
import { createServer } from 'node:http';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT } from './ready.mjs';
import { readOut } from './unread-body.mjs';

const { handler } = await import(pathToFileURL(join(ROOT, 'build/handler.js')).href);
const server = createServer((request, response) => {
	readOut(request, response);
	handler(request, response, () => response.writeHead(404).end());
});
// The server keeps its lines to the lane, and the lane never closes one that may just be used again.
server.keepAliveTimeout = 0;
server.listen(process.env.ZEMBO_LANE_SOCKET, () => process.send({ kind: 'ready' }));
process.on('message', ({ kind }) => {
	if (kind === 'there?') process.send({ kind: 'here' });
});
// Without the server nobody can reach it.
process.on('disconnect', () => process.exit());
