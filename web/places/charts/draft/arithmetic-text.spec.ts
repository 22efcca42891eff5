import { derivationSchema, type Derivation } from '@neat-measure/core';
import {
  asKind,
  chainsOf,
  codeFor,
  derivationsOf,
  nameFor,
  STEP_FORMS,
  type ChainText,
} from './arithmetic-text';

/** Every kind of step, as a chart file writes it. */
const EVERY: Derivation = derivationSchema.parse({
  code: 'derived:all',
  name: 'All of them',
  steps: [
    { do: 'reading', as: 'chest', of: 'chest-girth' },
    { do: 'add', as: 'more', of: ['chest', '3 in'] },
    { do: 'subtract', as: 'less', from: 'more', take: 'waist-girth' },
    { do: 'multiply', as: 'part', of: 'less', by: 0.8 },
    { do: 'average', as: 'mean', of: ['part', 'hip-girth'] },
    { do: 'difference', as: 'apart', of: ['mean', 'chest'] },
    { do: 'max', as: 'most', of: ['apart', 'mean'] },
    {
      do: 'lookup',
      as: 'looked',
      of: 'most',
      rows: [
        { upTo: '30 in', gives: '28 in' },
        { upTo: '60 in', gives: '32 in' },
      ],
    },
    { do: 'round', as: 'whole', of: 'looked', to: { mode: 'up', step: '1 in' } },
    { do: 'round', as: 'offered', of: 'whole', to: { mode: 'down-to-offered', offered: ['28 in', '30 in'] } },
    { do: 'clamp', as: 'kept', of: 'offered', least: '20 in', most: null },
    { do: 'require', as: 'held', of: 'kept', least: '10 in', because: 'it is the longer' },
  ],
});

describe('the arithmetic as texts', () => {
  const change = (step: number, changes: object): ChainText[] => {
    const [chain] = chainsOf([EVERY]);
    return [
      { ...chain!, steps: chain!.steps.map((one, at) => (at === step ? { ...one, ...changes } : one)) },
    ];
  };

  it('comes back as it was, whatever kinds of steps it has', () => {
    const made = derivationsOf(chainsOf([EVERY]));
    expect(made).toEqual({ ok: true, value: [EVERY] });
    expect(new Set(EVERY.steps.map((step) => step.do)).size)
      .withContext('every kind')
      .toBe(Object.keys(STEP_FORMS).length);
  });

  it('says of what cannot be read which step it is, and what to write', () => {
    const said = (step: number, changes: object) => {
      const made = derivationsOf(change(step, changes));
      return made.ok ? null : [made.problem.step, made.problem.words];
    };
    expect(said(1, { operands: { of: ['chest'] } })).toEqual([1, 'Say what: at least 2.']);
    expect(said(2, { operands: { from: ['more'], take: [] } })).toEqual([2, 'Say take.']);
    expect(said(3, { words: { by: 'half' } })).toEqual([3, 'The factor is a number such as 0.8.']);
    expect(said(7, { words: { rows: '30 in to 28 in' } })![0]).toBe(7);
    expect(said(8, { words: { mode: 'up', to: '1' } })).toEqual([8, jasmine.stringContaining('with a unit')]);
    expect(said(11, { words: { because: ' ' } })).toEqual([11, jasmine.stringContaining('because')]);
    const [chain] = chainsOf([EVERY]);
    const unnamed = derivationsOf([{ ...chain!, name: '' }]);
    expect(unnamed).toEqual({ ok: false, problem: jasmine.objectContaining({ chain: 0, step: -1 }) });
  });

  it('takes a factor with a decimal comma, and limits that are left out', () => {
    const made = derivationsOf(change(3, { words: { by: '0,8' } }));
    expect(made).toEqual({ ok: true, value: [EVERY] });
    const open = derivationsOf(change(10, { words: { least: '', most: '' } }));
    expect(open.ok && open.value[0]!.steps[10]).toEqual(
      jasmine.objectContaining({ least: null, most: null }),
    );
  });

  it('keeps what it can of a step that becomes another kind', () => {
    const [chain] = chainsOf([EVERY]);
    const turned = asKind(chain!.steps[1]!, 'subtract');
    expect(turned.operands).toEqual({ from: ['chest'], take: ['3 in'] });
    expect(asKind(turned, 'round')).toEqual(
      jasmine.objectContaining({ operands: { of: ['chest'] }, words: { mode: 'nearest', to: '' } }),
    );
  });

  it('gives each chain and each step a name that no other has', () => {
    expect(codeFor('Front width', [])).toBe('derived:front-width');
    expect(codeFor('Front width', ['derived:front-width'])).toBe('derived:front-width-2');
    expect(codeFor('½', [])).toBe('derived:chain-1');
    expect(nameFor('step', ['step', 'step-2'])).toBe('step-3');
  });
});
