import {
  buildOf,
  cm,
  fitChecksOf,
  GARMENT_KINDS,
  RIGHT,
  type Length,
  type MeasurementCode,
} from '../../testing/all';
import { fitScene } from './fit-scene';

const ALL = GARMENT_KINDS.flatMap((kind) =>
  fitChecksOf({ kind, fitChecks: [] }).map(({ code, answers }) => ({
    kind,
    check: code,
    answers: answers.map((one) => one.code),
  })),
);
const numbersIn = (text: string) => (text.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

describe('fitScene', () => {
  it('draws of every check what right looks like and what each answer does, no two alike', () => {
    for (const { kind, check, answers } of ALL) {
      const drawn = [RIGHT, ...answers].map((answer) => fitScene(kind, check, answer));
      const texts = drawn.map((scene) => JSON.stringify(scene));
      expect(drawn.every((scene) => scene !== null && scene.strokes.length > 0))
        .withContext(`${kind} ${check}`)
        .toBeTrue();
      expect(new Set(texts).size).withContext(`${kind} ${check}`).toBe(texts.length);
      // The same window, so that one can be held against the other; a part seen from elsewhere has its own.
      expect(drawn[0]!.viewBox).toMatch(/^-?\d+ -?\d+ \d+ \d+$/);
    }
  });

  it('lays the garment onto whoever wears it', () => {
    const values = new Map<MeasurementCode, Length>([
      ['height', cm(165)],
      ['chest-girth', cm(125)],
      ['waist-girth', cm(123)],
      ['hip-girth', cm(128)],
    ]);
    const [usual, stout] = [
      fitScene('jacket', 'button', RIGHT)!,
      fitScene('jacket', 'button', RIGHT, buildOf(values))!,
    ];
    const widest = ({ strokes }: typeof usual) =>
      Math.max(
        ...strokes.flatMap(({ path }) => numbersIn(path.replace(/Z/g, ''))).filter((_, at) => at % 2 === 0),
      );
    expect(widest(stout)).toBeGreaterThan(widest(usual) + 10);
    expect(numbersIn(stout.viewBox)[2]).toBeGreaterThan(numbersIn(usual.viewBox)[2]!);
  });

  it('has numbers in all its paths, whoever wears it', () => {
    const thin = buildOf(
      new Map<MeasurementCode, Length>([
        ['height', cm(195)],
        ['chest-girth', cm(78)],
        ['waist-girth', cm(60)],
      ]),
    );
    for (const { kind, check, answers } of ALL)
      for (const answer of [RIGHT, ...answers]) {
        const { body, lines, strokes } = fitScene(kind, check, answer, thin)!;
        for (const path of [...body, ...lines, ...strokes.map((one) => one.path)])
          expect(path)
            .withContext(`${kind} ${check} ${answer}`)
            .toMatch(/^M[-\d. CZ]+$/);
      }
  });

  it('draws none of a maker’s own checks', () => {
    expect(fitScene('jacket', 'own-1', RIGHT)).toBeNull();
    expect(fitScene('other', 'button', RIGHT)).toBeNull();
  });
});
