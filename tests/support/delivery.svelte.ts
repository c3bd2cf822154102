import { vi } from 'vitest';
import { EMPTY_BRIEF } from '$lib/core/brief';
import { NO_DELIVERY_CHOICES, type DeliveryChoices } from '$lib/core/deliver';
import {
	docOf,
	gap,
	heading,
	markedText,
	paragraph,
	textNode,
	type TakeDoc
} from '$lib/core/manuscript';
import { newSection } from '$lib/core/plan';
import type { Session } from '$lib/ui/assignment/session.svelte';
import { Delivery } from '$lib/ui/deliver/delivery.svelte';
import { planOf } from './plans';

export const said = (text: string) => paragraph(textNode(text));
export const DOC = docOf([
	heading(1, 'Walls that stand', 'top'),
	said('A dry stone wall stands by its weight.'),
	heading(2, 'Dig the trench', 'dig'),
	said('A walling hammer helps. The trench is 30 cm deep on firm ground.'),
	gap('How wide?'),
	heading(2, 'How long does it last?', 'last'),
	paragraph(
		textNode('It lasts. See '),
		markedText('this page', [{ type: 'link', attrs: { href: 'https://a.example/' } }])
	)
]);
/** A session that is only what delivering asks of it, with choices that are decided like the real ones. */
export function sessionOf(doc: TakeDoc = DOC, more: Record<string, unknown> = {}) {
	const session = $state({
		id: 'a',
		delivery: NO_DELIVERY_CHOICES as DeliveryChoices,
		takes: [{ id: 't', name: 'Take 1', doc }],
		plan: {
			...planOf(newSection('dig', 'Dig the trench', 80), newSection('last', 'How long?', 40)),
			titleTag: 'Dry stone wall: how it stands',
			description: 'A dry stone wall stands by its weight.',
			slug: 'walls'
		},
		assignment: {
			keyword: 'dry stone wall',
			title: 'Walls',
			client: 'c',
			targetWords: 0,
			brief: EMPTY_BRIEF
		},
		client: { name: 'Fellgate Tools', colours: [], logo: '', brands: [] },
		counted: [
			{
				id: 'p1',
				address: 'https://hill.example/',
				article: { title: 'Dry stone wall: how it stands', titleTag: '' }
			}
		],
		pages: [],
		notes: [{ id: 'n', kind: 'note', name: 'Interview.md' }],
		pictures: [] as unknown[],
		letters: new Map([['p1', 'A']]),
		findings: null,
		runs: null,
		proof: { dialect: null, dismissed: [], off: [] },
		mustNotSay: [],
		required: [],
		nameOf: (id: string) => (id === 'p1' ? 'Hillfoot' : 'Interview'),
		decideDelivery: vi.fn((_: string, change: (choices: DeliveryChoices) => DeliveryChoices) => {
			session.delivery = change(session.delivery);
			return Promise.resolve();
		}),
		setHead(label: string, values: object) {
			return this.changePlan(label, { ...(this.plan as object), ...values });
		},
		changePlan: vi.fn((_: string, plan: unknown) => {
			session.plan = plan as typeof session.plan;
			return Promise.resolve();
		}),
		change: vi.fn(() => Promise.resolve()),
		...more
	});
	return session;
}

export function deliveryOf(session = sessionOf()): Delivery {
	let delivery!: Delivery;
	$effect.root(() => {
		delivery = new Delivery(session as unknown as Session);
	});
	return delivery;
}
