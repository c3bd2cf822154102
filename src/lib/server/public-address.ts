import { BlockList, isIP } from 'node:net';

export type CheckedAddress =
	| { readonly kind: 'open'; readonly url: URL }
	| { readonly kind: 'refused'; readonly reason: string };

/*
 * What is not the public internet, by the special-purpose registries of IANA (RFC 6890 and its
 * successors). For IPv6 it is the other way round: only global unicast is public, less what is
 * reserved inside it or carries an IPv4 address.
 */
const notPublic = new BlockList();
for (const [network, bits] of [
	['0.0.0.0', 8],
	['10.0.0.0', 8],
	['100.64.0.0', 10],
	['127.0.0.0', 8],
	['169.254.0.0', 16],
	['172.16.0.0', 12],
	['192.0.0.0', 24],
	['192.0.2.0', 24],
	['192.31.196.0', 24],
	['192.52.193.0', 24],
	['192.88.99.0', 24],
	['192.168.0.0', 16],
	['192.175.48.0', 24],
	['198.18.0.0', 15],
	['198.51.100.0', 24],
	['203.0.113.0', 24],
	['224.0.0.0', 4],
	['240.0.0.0', 4]
] as const)
	notPublic.addSubnet(network, bits, 'ipv4');
for (const [network, bits] of [
	['2001::', 23],
	['2001:db8::', 32],
	['2002::', 16],
	['3fff::', 20]
] as const)
	notPublic.addSubnet(network, bits, 'ipv6');
const globalUnicast = new BlockList();
globalUnicast.addSubnet('2000::', 3, 'ipv6');

/** Whether an IP address is on the public internet. Anything that is no address is not. */
export function isPublicIp(ip: string): boolean {
	const plain = ip.replace(/^\[|\]$/g, '').replace(/%.*$/, '');
	if (isIP(plain) === 4) return !notPublic.check(plain, 'ipv4');
	if (isIP(plain) === 6)
		return globalUnicast.check(plain, 'ipv6') && !notPublic.check(plain, 'ipv6');
	return false;
}

/** Names that never lead to the public internet, whatever a resolver says of them. */
const PRIVATE_NAME =
	/(?:^|\.)(?:localhost|localdomain|local|internal|intranet|lan|home|corp|private|home\.arpa|arpa|test|invalid|onion|alt)$/;

/**
 * Reads an address and refuses what a page of the public web cannot have: other schemes and
 * ports, credentials, addresses and names of private networks. Spellings of IPv4 in octal,
 * hexadecimal or one number are brought to one form by the URL parser before they are checked.
 * Names are checked again when they have been resolved.
 */
export function checkAddress(address: string): CheckedAddress {
	let url: URL;
	try {
		url = new URL(address);
	} catch {
		return refused('this is not a complete address; it should open with https://');
	}
	if (url.protocol !== 'http:' && url.protocol !== 'https:')
		return refused(`only http and https are fetched, not ${url.protocol.replace(/:$/, '')}`);
	if (url.username !== '' || url.password !== '')
		return refused('an address with a user name or password in it is not fetched');
	if (url.port !== '' && url.port !== '80' && url.port !== '443')
		return refused(`only the usual ports of the web are fetched, not ${url.port}`);
	const host = url.hostname.toLowerCase().replace(/\.+$/, '');
	const isAddress = isIP(host.replace(/^\[|\]$/g, '')) !== 0;
	if (isAddress ? !isPublicIp(host) : !host.includes('.') || PRIVATE_NAME.test(host))
		return refused('it leads into a private network, and only public pages are fetched');
	return { kind: 'open', url };
}

function refused(reason: string): CheckedAddress {
	return { kind: 'refused', reason };
}
