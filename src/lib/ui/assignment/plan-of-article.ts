/** Apart, so that what makes plans is loaded only when one is made. */
export { planOfArticle } from '$lib/core/manuscript';
