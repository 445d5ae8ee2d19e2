import { BlockList, isIP, isIPv6 } from 'node:net';
import { refuse, type Result, succeed } from '$core/units';

/** Where an instrument listens. */
export interface InstrumentAddress {
	readonly host: string;
	readonly port: number;
}

type Family = 'ipv4' | 'ipv6';
type Subnet = readonly [address: string, bits: number, family: Family];

const LOOPBACK: readonly Subnet[] = [
	['127.0.0.0', 8, 'ipv4'],
	['::1', 128, 'ipv6']
];
/** Private networks, the only ones that can be put on the list: RFC 1918, RFC 4193. */
const PRIVATE: readonly Subnet[] = [
	...LOOPBACK,
	['10.0.0.0', 8, 'ipv4'],
	['172.16.0.0', 12, 'ipv4'],
	['192.168.0.0', 16, 'ipv4'],
	['fc00::', 7, 'ipv6']
];
/** Where hosts of virtual machines answer questions about them: never asked, though one lies in a private range. */
const METADATA: readonly Subnet[] = [['fd00:ec2::254', 128, 'ipv6']];

const listOf = (subnets: readonly Subnet[]) => {
	const list = new BlockList();
	for (const [address, bits, family] of subnets) list.addSubnet(address, bits, family);
	return list;
};
const privateNetworks = listOf(PRIVATE);
const metadata = listOf(METADATA);

const familyOf = (host: string): Family => (isIPv6(host) ? 'ipv6' : 'ipv4');

/** Ports on which instruments listen: SCPI's usual one, Modbus TCP's, and that of the simulated inverter. */
const USUAL_PORTS = '5025, 502, 5020';

/** Which networks and ports are asked, as whoever runs the server listed them. */
export interface InstrumentList {
	readonly networks: BlockList;
	readonly ports: ReadonlySet<number>;
}

/**
 * Reads the list of the environment: `ZEMBO_INSTRUMENTS` has networks beside loopback, as in
 * "192.168.1.0/24, 10.0.0.7", `ZEMBO_INSTRUMENT_PORTS` has the ports. What is not private is left out.
 */
export function instrumentList(env: Readonly<Record<string, string | undefined>>): InstrumentList {
	const subnets: Subnet[] = [...LOOPBACK];
	for (const written of (env.ZEMBO_INSTRUMENTS ?? '').split(',')) {
		const [address = '', digits] = written.trim().split('/');
		if (isIP(address) === 0) continue;
		const family = familyOf(address);
		const bits = digits === undefined ? (family === 'ipv6' ? 128 : 32) : Number(digits);
		const inside = PRIVATE.some(([, least, of]) => of === family && bits >= least);
		if (inside && privateNetworks.check(address, family)) subnets.push([address, bits, family]);
	}
	const ports = (env.ZEMBO_INSTRUMENT_PORTS ?? USUAL_PORTS).split(',').map(Number);
	return { networks: listOf(subnets), ports: new Set(ports) };
}

const FORM = 'Type it as host:port, for example 127.0.0.1:5025.';

/**
 * Reads an address that somebody typed. Names are not looked up, and only what the list names is let through: a server
 * that connects wherever it is told would be a way into other networks.
 */
export function readAddress(
	typed: string,
	{ networks, ports } = instrumentList(process.env)
): Result<InstrumentAddress, string> {
	const [, bracketed, plain, digits] =
		/^(?:\[([^\]]+)\]|([^:\s]+)):(\d{1,5})$/.exec(typed.trim()) ?? [];
	const named = bracketed ?? plain;
	const port = Number(digits);
	if (!named || !(port >= 1 && port <= 65_535)) return refuse(`“${typed}” is no address. ${FORM}`);
	const host = named === 'localhost' ? '127.0.0.1' : named;
	if (isIP(host) === 0) {
		return refuse(`Names are not looked up: type the number of the instrument. ${FORM}`);
	}
	const family = familyOf(host);
	if (!networks.check(host, family) || metadata.check(host, family)) {
		return refuse(
			`${host} is not on the list of instrument networks. Whoever runs this Zembo adds private networks to ZEMBO_INSTRUMENTS (docs/safety.md).`
		);
	}
	if (!ports.has(port)) {
		return refuse(
			`Port ${port} is not on the list of instrument ports (${[...ports].join(', ')}). Whoever runs this Zembo sets them in ZEMBO_INSTRUMENT_PORTS (docs/safety.md).`
		);
	}
	return succeed({ host, port });
}
