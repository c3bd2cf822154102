import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { quantitiesOf } from './quantities';
import { baseOf } from './quantity';

const first = (sentence: string) => quantitiesOf(sentence)[0];

describe('quantitiesOf', () => {
	it.each([
		['Dig 15 to 30 cm down.', { value: 15, upTo: 30, unit: 'cm' }],
		['A bantam weighs 600 g to 900 g.', { value: 600, upTo: 900, unit: 'g' }],
		['It is 5 ft 6 in tall.', { value: 5.5, unit: 'foot' }],
		['She ran it in 2 hours 24 minutes.', { kind: 'time', value: 2.4, unit: 'hour' }],
		['Frost of -3 °C splits it.', { value: -3, unit: '°C' }],
		['Between -5 and -2 °C.', { value: -5, upTo: -2 }],
		['Use 1½ cups of flour.', { value: 1.5, unit: 'cup' }],
		['Drill a 3/4 inch hole.', { value: 0.75, unit: 'inch' }],
		['Rain fell for two and a half days.', { kind: 'time', value: 2.5, unit: 'day' }],
		['They eat a quarter of a pound.', { value: 0.25, unit: 'pound' }],
		['It costs £1,200 to £1,500.', { kind: 'money', value: 1200, upTo: 1500, unit: '£' }],
		['It fetched $1.2 million.', { kind: 'money', value: 1_200_000 }],
		['Electricity is 24p here.', { kind: 'money', value: 0.24, unit: '£' }],
		['About a third of the weight is fill.', { kind: 'share', upTo: 100 / 3, unit: '%' }],
		['Four in ten runners limp.', { kind: 'ratio', value: 0.4 }],
		['Keep a batter of 1:6.', { kind: 'ratio', value: 1 / 6 }],
		['Three hens need a nest box.', { kind: 'count', value: 3, unit: 'hen' }],
		['Nine of fourteen radiators went.', { kind: 'count', value: 9, unit: 'radiator' }],
		['One bird per square metre is the rule.', { kind: 'count', unit: 'bird', per: 'm²' }],
		['Worm them twice a year.', { kind: 'count', value: 2, unit: 'time', per: 'year' }],
		['She builds 3 m² a day.', { value: 3, unit: 'm²', per: 'day' }],
		['Pullets were £25 each.', { kind: 'money', value: 25, per: 'piece' }],
		['It was opened in May 2021.', { kind: 'year', value: 2021 }],
		['The SCOP is 3.2.', { kind: 'measure', value: 3.2, unit: 'SCOP' }]
	])('reads “%s”', (sentence, expected) => {
		expect(first(sentence)).toMatchObject(
			Object.fromEntries(
				Object.entries(expected).map(([key, value]) => [
					key,
					typeof value === 'number' ? expect.closeTo(value, 6) : value
				])
			)
		);
		expect(quantitiesOf(sentence)).toHaveLength(1);
	});

	it.each([
		'There are three reasons for it.',
		'It has two benefits and one drawback.',
		'RFC 2616 says how, BS 743 what.',
		'HTTPD 2.3/2.4 came next.',
		'Figure 3 shows the wall.',
		'Call 01234 567890.',
		'Version 2.0.1 is out.',
		'One of them leaned.',
		'It fell to pieces.',
		''
	])('finds nothing to check in “%s”', (sentence) => {
		expect(quantitiesOf(sentence)).toEqual([]);
	});

	it.each([
		['about 120 g', 'about'],
		['at least 30 cm', 'least'],
		['up to 500 ml', 'most'],
		['under 10%', 'most'],
		['120 g', null]
	])('keeps how “%s” is hedged', (text, hedge) => {
		expect(first(`Give ${text} of it.`)?.hedge).toBe(hedge);
	});

	it('gives figures in order, each a piece of the sentence', () => {
		fc.assert(
			fc.property(
				fc.array(
					fc.constantFrom(
						'12 cm',
						'£40',
						'about',
						'three hens',
						'a day',
						'5%',
						'-',
						'to',
						'1:6',
						'½ inch',
						'3 to 4',
						'the',
						'and',
						',',
						'2019',
						'in 2020',
						'kg',
						'twice a week'
					),
					{ maxLength: 14 }
				),
				(pieces) => {
					const sentence = pieces.join(' ');
					let from = 0;
					for (const { text, value, upTo } of quantitiesOf(sentence)) {
						const at = sentence.indexOf(text, from);
						expect(at).toBeGreaterThanOrEqual(from);
						expect(value).toBeLessThanOrEqual(upTo);
						from = at + text.length;
					}
				}
			)
		);
	});

	it('takes time in proportion to a hostile sentence', () => {
		const long = '1 '.repeat(4000) + 'one two '.repeat(2000) + '£'.repeat(2000);
		expect(() => quantitiesOf(long)).not.toThrow();
	}, 4000);
});

describe('baseOf', () => {
	it.each([
		['6 inches', '15.24 cm'],
		['10 square feet', '0.92903 m²'],
		['two weeks', '14 days'],
		['a quarter of a pound', '113.398 g'],
		['68 °F', '20 °C'],
		['twice a week', '104.36 times a year']
	])('makes %s and %s the same', (a, b) => {
		const [one, other] = [a, b].map((text) => baseOf(first(`It is ${text}.`)!));
		expect(one!.dimension).toBe(other!.dimension);
		expect(one!.value).toBeCloseTo(other!.value, 2);
	});

	it('keeps apart what cannot be compared', () => {
		const dimensions = ['3 m', '3 m²', '3 kg', '£3', '$3', '3 m a day', 'three hens', '3%'].map(
			(text) => baseOf(first(`It is ${text}.`)!).dimension
		);
		expect(new Set(dimensions).size).toBe(dimensions.length);
	});
});
