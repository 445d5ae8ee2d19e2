import { BlockList, isIP, isIPv6 } from 'node:net';
import { refuse, succeed, type Result } from '$core/units/result';

/** Where an instrument listens. */
export interface InstrumentAddress {
	readonly host: string;
	readonly port: number;
}

/** Loopback and the ranges of private networks: RFC 1918, RFC 4193, RFC 3927, RFC 4291. */
const near = new BlockList();
near.addSubnet('127.0.0.0', 8, 'ipv4');
near.addSubnet('10.0.0.0', 8, 'ipv4');
near.addSubnet('172.16.0.0', 12, 'ipv4');
near.addSubnet('192.168.0.0', 16, 'ipv4');
near.addSubnet('169.254.0.0', 16, 'ipv4');
near.addAddress('::1', 'ipv6');
near.addSubnet('fc00::', 7, 'ipv6');
near.addSubnet('fe80::', 10, 'ipv6');

const FORM = 'Type it as host:port, for example 192.168.0.20:5025.';

/**
 * Reads an address that somebody typed. Names are not looked up, and only loopback and private networks
 * are let through, unless ZEMBO_INSTRUMENTS_ANYWHERE is set: a server that connects wherever it is told
 * would be a way into other networks.
 */
export function readAddress(typed: string): Result<InstrumentAddress, string> {
	const [, bracketed, plain, digits] =
		/^(?:\[([^\]]+)\]|([^:\s]+)):(\d{1,5})$/.exec(typed.trim()) ?? [];
	const named = bracketed ?? plain;
	const port = Number(digits);
	if (!named || !(port >= 1 && port <= 65_535)) return refuse(`“${typed}” is no address. ${FORM}`);
	const host = named === 'localhost' ? '127.0.0.1' : named;
	if (isIP(host) === 0) {
		return refuse(`Names are not looked up: type the number of the instrument. ${FORM}`);
	}
	const anywhere = process.env.ZEMBO_INSTRUMENTS_ANYWHERE === 'yes';
	return anywhere || near.check(host, isIPv6(host) ? 'ipv6' : 'ipv4')
		? succeed({ host, port })
		: refuse(
				`${host} lies outside this network. Only loopback and private addresses are asked; whoever runs this Zembo may allow others (docs/safety.md).`
			);
}
