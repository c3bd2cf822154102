import { z } from 'zod';
import { INTENTS } from '../keywords';
import { EFFORTS } from './effort';

export const BRIEF_FORMS = ['guide', 'list', 'comparison', 'answer'] as const;

/** Point of view: who speaks, or who is spoken to. */
export const PERSONS = ['you', 'we', 'I', 'they'] as const;

/** A further phrase the article may serve. */
export const secondarySchema = z.strictObject({
	phrase: z.string().min(1).max(200),
	/** Searches a month, both ends included; null: not known. */
	volumeMin: z.number().min(0).nullable(),
	volumeMax: z.number().min(0).nullable(),
	/** Whether it has to stand in the article. */
	isRequired: z.boolean()
});

export type Secondary = z.infer<typeof secondarySchema>;

/** What a brief can ask for at most. */
export const MOST_SECTIONS = 60;
export const MOST_QUESTIONS = 20;

const day = z.string().regex(/^(?:\d{4}-\d{2}-\d{2})?$/, 'A day is written YYYY-MM-DD.');
const line = z.string().max(300);
const text = z.string().max(20_000);
const phrases = z.array(z.string().min(1).max(500)).max(500);

/**
 * What the article is to be, beyond keyword, length and client, which stand on the assignment.
 * Empty text: not settled.
 */
export const briefSchema = z.strictObject({
	workingTitle: line,
	description: z.string().max(1000),
	secondary: z.array(secondarySchema).max(2000),
	reader: text,
	purpose: text,
	intent: z.enum(INTENTS).nullable(),
	form: z.enum(BRIEF_FORMS).nullable(),
	person: z.enum(PERSONS).nullable(),
	tone: line,
	/** Flesch–Kincaid grade to aim at; null: 8, plain prose for everybody. */
	grade: z.number().min(1).max(18).nullable(),
	effort: z.enum(EFFORTS),
	/** Sections between opening and questions; null: as the evidence says. */
	sections: z.number().int().min(1).max(MOST_SECTIONS).nullable().default(null),
	/** Questions of the FAQ, 0 for none; null: as the evidence says. */
	questions: z.number().int().min(0).max(MOST_QUESTIONS).nullable().default(null),
	callToAction: text,
	mustSay: phrases,
	mustNotSay: phrases,
	/** YYYY-MM-DD or empty. */
	deadline: day,
	fee: line,
	/** Day on which the client agreed; empty: not yet. */
	agreedOn: day
});

export type Brief = z.infer<typeof briefSchema>;

export const EMPTY_BRIEF: Brief = {
	workingTitle: '',
	description: '',
	secondary: [],
	reader: '',
	purpose: '',
	intent: null,
	form: null,
	person: null,
	tone: '',
	grade: null,
	effort: 'pillar',
	sections: null,
	questions: null,
	callToAction: '',
	mustSay: [],
	mustNotSay: [],
	deadline: '',
	fee: '',
	agreedOn: ''
};

/** Reading grade aimed at where the brief names none: plain prose for the general public. */
export const DEFAULT_GRADE = 8;

/** How far a brief is: nothing settled, something, or agreed with the client. */
export function briefStateOf(brief: Brief): 'open' | 'begun' | 'agreed' {
	if (brief.agreedOn !== '') return 'agreed';
	const { agreedOn: _, effort: __, ...rest } = brief;
	const isEmpty = Object.values(rest).every(
		(value) => value === '' || value === null || (Array.isArray(value) && value.length === 0)
	);
	return isEmpty ? 'open' : 'begun';
}
