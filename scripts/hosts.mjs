/* Which names the server answers to, and on which addresses it listens. */
import { BlockList, isIP } from 'node:net';

const LOOPBACK = new BlockList();
LOOPBACK.addSubnet('127.0.0.0', 8, 'ipv4');
LOOPBACK.addAddress('::1', 'ipv6');

/** Accepts that everybody who reaches the server may read and change everything. */
export const WITHOUT_ACCOUNTS = 'ZEMBO_SERVE_WITHOUT_ACCOUNTS';

/** Whether a name or an address means this machine alone. */
export function isLoopback(name) {
	if (name === 'localhost' || name.endsWith('.localhost')) return true;
	const family = isIP(name);
	return family !== 0 && LOOPBACK.check(name, family === 4 ? 'ipv4' : 'ipv6');
}

/**
 * Why the server does not start on an address: without accounts, whoever reaches it may do everything.
 *
 * @param {string} host a name or an address
 * @param {Record<string, string | undefined>} env
 * @returns {string | null} null where it may start
 */
export function refusalToListen(host, env) {
	if (isLoopback(host) || env[WITHOUT_ACCOUNTS] === 'yes') return null;
	return `Zembo does not start on ${host}: it has no accounts yet, so everybody on that network could read, change and delete every site, visit and photograph, and reach the instruments. Leave HOST out to serve this machine alone, or set ${WITHOUT_ACCOUNTS}=yes to accept that.`;
}

/** The name in a Host header, in lower case, without brackets, port and last dot; null where it is none. */
function nameIn(header) {
	if (!header || !/^[\w.:[\]-]+$/.test(header)) return null;
	try {
		const { hostname } = new URL(`http://${header}`);
		return hostname.replace(/^\[|\]$/g, '').replace(/\.$/, '');
	} catch {
		return null;
	}
}

/**
 * Whether a request is for this server, by its Host header. Any website can let its own name resolve to this machine
 * (DNS rebinding); its pages are then of one origin with Zembo to the browser, but their requests carry its name.
 *
 * @param {string | undefined} header
 * @param {string} bound the address that the server listens on
 * @param {string} [named] further names, between commas
 */
export function answersTo(header, bound, named = '') {
	const name = nameIn(header);
	if (name === null) return false;
	if (isLoopback(name) || name === bound.toLowerCase()) return true;
	if (named.split(',').some((one) => one.trim() !== '' && nameIn(one.trim()) === name)) return true;
	// On every address of this machine: a page under a bare address was served from there.
	return ['0.0.0.0', '::'].includes(bound) && isIP(name) !== 0;
}
