/** Apart, so that it is loaded only when a plan was left: what reads archives is large. */
export { planSchema } from '$lib/core/deliver';
