import { json } from '@sveltejs/kit';
import { env } from '$env/dynamic/private';
import { readDemo } from '$lib/server/demo';
import type { RequestHandler } from './$types';

/** The files of the demo; `atStart` says whether the app was started to show it. */
export const GET: RequestHandler = async () => json({ atStart: env.CORVAN_DEMO === '1', ...(await readDemo()) });
