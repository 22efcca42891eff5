import { cm } from '@neat-measure/core';
import { shareOf } from '@neat-measure/core/own-chart';
import { draftOwn, type OwnQuestion } from './draft-own';
import { sayOwn } from './say-own';

describe('a chart from people', () => {
  const question: OwnQuestion = {
    ...{ id: 7, count: 2, grid: cm(1), widths: 'any' as const, spans: [cm(8)] },
    people: [88, 91, 97, 99, 120].map((one) => [cm(one)]),
  };

  it('says what it holds, and of few people what it cannot know', () => {
    const few = sayOwn({ of: 10, left: 1, share: shareOf(9, 10), lacking: 1 });
    expect(few[0]).toBe('Of 10 people, 9 are held and 1 left out (90 % held).');
    expect(few[1]).toContain('how many others these sizes would hold is not known');
    expect(few[2]).toBe('1 person more lacks a measurement and is not counted.');
    expect(sayOwn({ of: 200, left: 20, share: shareOf(180, 200), lacking: 0 })[1]).toBe(
      'Of others like them, 85 to 93 % would be held.',
    );
    expect(sayOwn({ of: 0, left: 0, share: shareOf(0, 0), lacking: 0 })).toEqual([
      'Nobody here has these measurements yet.',
    ]);
  });

  it('is drafted with a curve of what each further size adds', () => {
    const { one, curve, id } = draftOwn(question);
    expect([id, one!.sizes.length, one!.left]).toEqual([7, 2, 1]);
    expect(curve.map(({ count }) => count)).toEqual(Array.from({ length: 12 }, (_, at) => at + 1));
    expect(curve[2]!.left).toBe(0);
    const two = draftOwn({
      ...question,
      spans: [cm(8), cm(8)],
      people: question.people.map(([a]) => [a!, a!]),
    });
    expect(two.two!.sizes.length).toBe(2);
  });

  it('of too fine a grid says why there is none', () => {
    expect(draftOwn({ ...question, grid: 1 as never }).trouble).toContain('Choose larger steps');
  });
});
