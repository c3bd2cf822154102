import { env } from '$env/dynamic/private';
import { EndpointRelay } from './endpoint-relay';

/** The one relay of this server. What may be asked in this network can be given at the start. */
export const relay = new EndpointRelay(
	(env.CORVAN_ENDPOINTS ?? '').split(/[\s,]+/).filter((origin) => origin !== '')
);
