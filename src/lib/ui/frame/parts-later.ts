/** The screens that are loaded when they are asked for; a pointer over the way to one loads it ahead. */
export const LATER = {
	scout: () => import('../scout/Scout.svelte'),
	brief: () => import('../brief/Brief.svelte'),
	gather: () => import('../gather/Gather.svelte'),
	findings: () => import('../findings/Findings.svelte'),
	plan: () => import('../plan/Plan.svelte'),
	write: () => import('../write/Write.svelte'),
	proof: () => import('../proof/Proof.svelte'),
	deliver: () => import('../deliver/Deliver.svelte'),
	client: () => import('../clients/ClientProfile.svelte'),
	methods: () => import('../methods/Methods.svelte')
} as const;

/** Loads a screen ahead; whether it came shows when it is asked for. */
export function loadAhead(part: string): void {
	if (part in LATER) void LATER[part as keyof typeof LATER]().catch(() => undefined);
}
