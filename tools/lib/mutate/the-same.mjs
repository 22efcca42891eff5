/** Files that are one table of data, or words alone: a spec that holds them would be their copy. */
export const TABLES =
  /catalogue\/(?!codes)|protocols\.ts|body-statistics|tape-paths|figure\.ts|checks-by-kind\.ts|fit\/drawing\/|kept-verdict|\/say-/;

/**
 * Lines of which a change gives the same answers, only slower, or the same number another way: no spec
 * can notice, and none should.
 */
export const THE_SAME = [
  // What is not walked is sized in rounds; what is not remembered is found again.
  [
    'group/walk.ts',
    /more\.length === 0|columns\.length <= WALKED|codes\.length === columns|choices\[0\]!\.code === codes|MOST_COMBINATIONS|< ASK\) return/,
  ],
  ['group/size-people.ts', /REMEMBERED|before !== undefined|known = this\.clear/],
  ['foresight/foresee.ts', /1_664_525/],
  ['group/size-roll.ts', /open\.length > 0/],
  ['group/read-people.ts', /before !== undefined|REMEMBERED|CUT_OUT_FROM\)/],
  ['group/seen-ids.ts', /MOST_IN_ONE|CUT_OUT_FROM|line !== undefined/],
  // Where nothing was seen, nobody is judged for it.
  ['docket/fitting/looks.ts', /seen\.length === 0/],
  ['match/kernel/why-nothing.ts', /row !== this\.row/],
  // Bounds that spare draws: without them, or beyond them by a hair, the draws say the same.
  ['match/odds/edge.ts', /FAR|CLEAR|down \* error|alwaysMissing|staying/],
  ['match/odds/odds.ts', /standardError === 0/],
  ['match/odds/low-discrepancy.ts', /<= BITS|< BITS/],
  // Either series is as exact where they meet; a tail beyond infinity is nothing by itself.
  ['capture/normal.ts', /Infinity|> 5|QUANTILES|count - 1 - at/],
  // What is drawn about matters only for its last bits; of two that are one draw either will do.
  ['match/odds/odds.ts', /- about|about = values/],
  ['match/odds/low-discrepancy.ts', /at > 0/],
  // What is not looked up is asked for one by one, and what is not kept is made anew.
  ['match/kernel/part-run.ts', /canBeLookedUp|count < FEW/],
  ['match/kernel/part-table.ts', /numbers\.length < count/],
  // How finely ends are searched, and whether the whole of a round is cut to its rest.
  ['match/kernel/axis.ts', /CELLS_AN_END/],
  ['match/kernel/kernel.ts', /from === 0/],
  // One row more than there are is looked at by nobody.
  ['match/kernel/kernel.ts', /row < count; row\+\+/],
  // What is found of another rule is left out by its code.
  ['chart/rules/names.ts', /const found: Found/],
  // A table that is kept once made is not made again for the next mutant of the same process.
  ['capture/normal.ts', /share|z -= step/],
  // A result that is asked about and lies within bounds stays what it is.
  ['chart/arithmetic/compile-arithmetic.ts', /unbounded:/],
  // What was made before is made again; a series or a step more or less comes to the same.
  ['capture/checks/builds.ts', /before !== undefined/],
  ['capture/normal.ts', /known !== undefined|odd < 400|< 1e-12/],
  // Who shares a walk with whom, who is asked twice, and how far one goes at once is only speed.
  ['group/walk.ts', /codes\(a\)\.join|count === 0|known >= ASK\) this|one >= ASK|this\.codes = \[/],
  // Inches read as centimetres and the other way round are both tried.
  ['capture/checks/likelihood.ts', /one\.value \* factor/],
  // Only their ratio counts; of two that are just alike either will do.
  [
    'foresight/plausible-bodies.ts',
    /Math\.max\(\.\.\.weights\)|weight - most|row < count|logLikelihood\(logs\) > one/,
  ],
  // The same number more for every order.
  ['body/order.ts', /shoes !== 'either'/],
  ['docket/judge/judge.ts', /codes\.length === 0\) return NO_IDLE/],
  // Room for more sizes than there are; a first row has none before it.
  ['chart/cut-column.ts', /Math\.ceil\(intervals/],
  ['chart/rules/arithmetic.ts', /at < 0\) return/],
  // Without the first, few draws, all are made; of two that are just as likely either will do.
  ['match/odds/edge.ts', /shares\.every|count > most|chance > chances\[best\]/],
  ['capture/checks/likelihood.ts', /each\.squaredDistance\(logs\) </],
  // What is impossible in one place is so unlikely there that it explains nothing.
  ['capture/checks/likelihood.ts', /withinLimits\(one\.code, other\.value\) \|\|/],
  // A normal draw and its opposite are as likely, and one is as good as never drawn just so.
  ['foresight/plausible-bodies.ts', /one \* free|random\(\) \* total/],
  // A last round of nobody; who shares a walk; a place that nobody holds is never open.
  ['group/coverage/part-coverage.ts', /from < bodies/],
  ['group/walk.ts', /chart\.codes\]\.sort|one === null \|\|/],
  // What is not plain is drawn; what was not read is nothing either way; labels nobody asks for.
  ['match/kernel/part-run.ts', /this\.by !== null|standIn < 0/],
  ['match/kernel/part-placer.ts', /this\.differs/],
  ['match/odds/edge.ts', /value !== undefined\) readings|pairs \+=/],
  ['match/odds/odds.ts', /wholeLabels\) labels/],
  // A chart that was let in names only what there is.
  ['match/kernel/kernel.ts', /standIns\.filter\(known\)/],
  // Just as rare as what is asked about; an iteration that converges long before its end.
  ['capture/checks/likelihood.ts', /chance >= RARE|!withinLimits\(one\.code, meant\)/],
  ['capture/normal.ts', /round < 20/],
  // Nothing lies before the first point, and nothing of nothing is nothing.
  ['match/kernel/axis.ts', /place === 0/],
  ['match/kernel/part-table.ts', /size < 0 \? -1/],
  // Whether a few lengths stand for a whole stretch is asked for speed; so is what is plain.
  ['match/kernel/part-run.ts', /placer\.differs/],
  ['match/odds/edge.ts', /!plain \|\| part\.goesByAnother/],
  // Of two just as near either will do; no suspect goes by another name; a part is never unmade.
  ['match/judge-part.ts', /room\(one\) < room|unmet\?\.readings \?\? \[\]\)\]\)/],
  [
    'match/judge.ts',
    /label === null \|\| isMade\(sheet, sizes\)|rank\(worst\.verdict\) <|value\.value === null \? value/,
  ],
  // Nothing comes of nothing: what a step rests on is asked about with it or without it.
  ['chart/arithmetic/compile-arithmetic.ts', /reached\.has\(out\)/],
  // Where a size turns is a point of its axis, so that there is nothing left to search in between.
  ['match/nearest-change.ts', /sizeAt\(middle\)/],
  // A kind that is never refused is never asked.
  ['docket/acts', /refuse: \(\) => null/],
  // A walk of so many columns is as long as it is in pairs; a number has been told apart from its unit before.
  ['group/walk.ts', /size <= WALKED/],
  ['quantity/parse-length.ts', /exec\(number\)/],
  // A column's own unit has been found not to fit.
  ['chart/rules/columns.ts', /unit !== column\.unit/],
  // A draw above the middle is as likely as one below it.
  ['foresight/plausible-bodies.ts', /LIMITS_REACH\) \* normal/],
  // What was not answered is asked for once more, one by one.
  ['group/walk.ts', /both \+= offsets|let open = false/],
  // Before the first size there is none, and so no run.
  ['chart/rules/sizes.ts', /if \(at === 0\) return \[\]/],
  // MariaDB passes over any key that is there twice, named or not.
  ['stores/ledger/ledger.ts', /onConflict/],
  // Only what is found in the place itself is listed; a correction of nothing is none.
  ['stores/counting/compare.ts', /to_place: place/],
  ['stores/counting/correct-stock.ts', /if \(left [<>] 0\)/],
  // What no size holds is of no pair, and a part that is not there has no size.
  ['match/kernel/kernel.ts', /ones\[row\] !== NONE/],
  ['match/vest-remarks.ts', /part === undefined \|\| at < 0/],
];
