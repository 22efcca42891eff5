// Writes demo/season.json: one season's dockets of the demo's made-up wearers. Nobody in it was ever measured: bodies
// are drawn at random about proportions of ours, readings about the bodies.
// Run with: node --import tsx tools/make/demo-season.mjs
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  compileChart,
  decidingCodes,
  importChartJson,
  judge,
  measurement,
  readReading,
} from '../../core/index.ts';
import { seededRandom } from '../../core/testing/random.ts';
import { ROOT } from '../lib/paths.mjs';

const demo = JSON.parse(readFileSync(join(ROOT, 'demo', 'demo.json'), 'utf8'));
const random = seededRandom(3_024);
const pick = (list) => list[Math.floor(random() * list.length)];
const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** What somebody of a role is kitted out with. */
const GARMENTS = {
  Ranger: ['field-jacket', 'ranger-trousers', 'jetty-shirt'],
  'Patrol warden': ['saltmarsh-vest', 'warden-trousers'],
  Guide: ['guide-blazer', 'estuary-fleece', 'marsh-hat'],
  'Boat crew': ['grebe-dry-suit', 'sluice-gloves'],
  Stores: ['mudlark-coverall', 'harbour-parka'],
  Visitor: ['saltpan-waders', 'mudflat-boots'],
};
/** The first wearers are left without a history: they are who one tries the Bench on. */
const WITHOUT_HISTORY = 12;
/** Of today's dockets, by their place: one half done, one with exchanged readings. */
const UNFINISHED = 8;
const EXCHANGED = 20;

const charts = new Map(
  demo.charts.map(({ file }) => {
    const read = importChartJson(readFileSync(join(ROOT, 'demo', 'charts', file)));
    return [file, compileChart(read.value)];
  }),
);

/** A body in cm, by two sets of proportions, taller or shorter and fuller or leaner at random. */
function drawBody() {
  const [tall, full, broad] = [normal(), 0.9 * normal() + 0.1, random() < 0.5];
  const height = (broad ? 177 : 165) + 6.6 * tall;
  const chest = (broad ? 101 : 95) + 7.5 * full + 1.5 * normal() + 1.2 * tall;
  const waist = (broad ? 88 : 82) + 9 * full + 2.5 * normal();
  const hip = (broad ? 101 : 102) + 7 * full + 2 * normal();
  const foot = height * (broad ? 0.1505 : 0.15) * 10 + 4 * normal();
  return {
    height,
    'chest-girth': chest,
    'waist-girth': waist,
    'abdominal-girth': waist + 4 + Math.abs(2 * normal()),
    'trouser-waist-girth': waist + 3 + normal(),
    'hip-girth': hip,
    'trunk-girth': 0.9 * height + 0.25 * (chest - 95) + normal(),
    'neck-girth': (broad ? 39 : 36) + 1.4 * full + 0.6 * normal(),
    'wrist-girth': (broad ? 17 : 15.3) + 0.5 * full,
    'head-girth': (broad ? 57.4 : 55.6) + 1.3 * normal(),
    'hand-girth': (broad ? 21.4 : 18.6) + 0.6 * normal(),
    'hand-length': 0.108 * height + 0.4 * normal(),
    'cervicale-to-wrist': 0.482 * height + normal(),
    'inside-leg-length': 0.448 * height + 1.3 * normal(),
    'shoulder-width': (broad ? 40.5 : 36.5) + normal(),
    'notch-to-belt-standing': 0.232 * height + normal(),
    'notch-to-belt-seated': 0.207 * height + normal(),
    'nape-to-belt': 0.262 * height + normal(),
    'collar-to-belt': 0.262 * height + normal(),
    'foot-length-left': foot / 10,
    'foot-length-right': (foot + 2 * normal()) / 10,
    'foot-width-left': (0.385 * foot) / 10,
    'foot-width-right': (0.385 * foot + normal()) / 10,
  };
}

/** What a fitter writes down: to half a centimetre, on the foot to a millimetre. */
function written(code, cm) {
  const { kind, standardError } = measurement(code);
  if (cm === undefined) throw new Error(`no body here has ${code}`);
  const off = cm + (normal() * standardError) / 20_000;
  return kind === 'foot' ? String(Math.round(off * 10)) : String(Math.round(off * 2) / 2);
}

function readingsOf(codes, body) {
  return Object.fromEntries(
    codes.map((code) => {
      const [one, other] = [written(code, body[code]), written(code, body[code])];
      return [code, [one, other]];
    }),
  );
}

/** What is decided on what was read: mostly the proposal; what no size holds is made to measure. */
function decide(file, readings) {
  const body = new Map(
    Object.entries(readings).map(([code, typed]) => {
      const unit = measurement(code).kind === 'foot' ? 'mm' : 'cm';
      const lengths = typed.map((text) => readReading(text, code, unit).value.length);
      return [code, { value: Math.round((lengths[0] + lengths[1]) / 2) }];
    }),
  );
  const { verdict, proposed, sizes, parts, worst } = judge(charts.get(file), body);
  if (verdict === 'beyond' || verdict === 'not-made') return { outcome: 'made-to-measure', reason: null };
  if (proposed === null) return null;
  const other = parts.find(({ part }) => part === worst)?.alternates[0];
  if (['between', 'split', 'edge'].includes(verdict) && other !== undefined && random() < 0.3)
    return {
      outcome: 'overridden',
      sizes: { ...sizes, [worst]: other },
      reason: pick(['Wearer wants it roomier', 'Wearer wants it closer', 'Tried on, fits better']),
    };
  return { outcome: 'accepted', sizes };
}

const dockets = [];
demo.wearers.slice(WITHOUT_HISTORY).forEach(({ id, role }, at) => {
  const body = drawBody();
  const garments = GARMENTS[role].map((name) => `${name}.json`);
  const codes = [...new Set(garments.flatMap((file) => decidingCodes(charts.get(file).sheet)))];
  // Two thirds were kitted out in the season; the rest stand on the roll today, not decided yet.
  const today = at % 3 === 2;
  // One is not measured to the end, and one has two readings written into each other's place.
  const readings = readingsOf(at === UNFINISHED ? codes.slice(0, -1) : codes, body);
  if (at === EXCHANGED) {
    const [chest, waist] = ['chest-girth', 'waist-girth'];
    [readings[chest], readings[waist]] = [readings[waist], readings[chest]];
  }
  const decisions = Object.fromEntries(
    garments.flatMap((file) => {
      const decision = today ? null : decide(file, readings);
      return decision === null ? [] : [[file, decision]];
    }),
  );
  dockets.push({
    wearer: id,
    occasion: today ? 'Autumn intake' : pick(['Spring intake', 'Summer season', 'Replacement']),
    daysAgo: today ? 0 : 40 + Math.floor(random() * 200),
    garments,
    readings,
    decisions,
  });
});
writeFileSync(join(ROOT, 'demo', 'season.json'), `${JSON.stringify({ dockets }, null, 1)}\n`);
