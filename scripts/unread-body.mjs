/* Bodies that nobody reads to their end. */

/**
 * Lets the rest of a request's body run out once the answer is sent. The application pauses a body that it does not
 * read; the next request on the same connection would then wait behind it for ever.
 */
export function readOut(request, response) {
	response.once('finish', () => {
		if (request.complete) return;
		request.removeAllListeners('data');
		request.resume();
	});
}
