// Every string a person can meet, from the sources themselves: templates by Angular's own parser, all else by TypeScript's.
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { parseTemplate, tmplAstVisitAll, TmplAstRecursiveVisitor } from '@angular/compiler';
import ts from 'typescript';
import { ROOT } from '../paths.mjs';

/** Folders whose sources hold words for people: the interface, what is said of results, messages, letters and print, commands. */
const FOLDERS = ['web', 'core', 'contract', 'server', 'cli', 'demo/maker-desk', 'tools'];
const NONE_OF_IT =
  /(?:^|\/)(?:node_modules|dist|testing|vendor|migrations|mutate|running)\/|\.spec\.m?[jt]s$|\.d\.m?ts$/;

/**
 * @returns `{ file, line, text }` for every string, in the order of files and lines; what is filled in stands in braces
 */
export function allStrings() {
  return FOLDERS.flatMap((folder) => filesIn(join(ROOT, folder)))
    .map((path) => relative(ROOT, path))
    .filter((file) => !NONE_OF_IT.test(file) && /\.(?:html|ts|mjs)$/.test(file))
    .sort()
    .flatMap((file) => stringsOf(file, readFileSync(join(ROOT, file), 'utf8')));
}

function filesIn(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.name === 'node_modules' || entry.name === 'dist'
      ? []
      : entry.isDirectory()
        ? filesIn(join(folder, entry.name))
        : [join(folder, entry.name)],
  );
}

/**
 * The strings of one file.
 *
 * @param file its name from the project's folder, by which its kind is known
 */
export function stringsOf(file, source) {
  return file.endsWith('.html') ? inTemplate(file, source, 0) : inScript(file, source);
}

/** Attributes that say something to a machine. */
const TECHNICAL =
  /^(?:class|style|type|id|for|role|routerLink.*|nz(?:Type|Size|Mode|Id|Shape|Theme|Trigger|Placement|Icon|Theme|Popover(?:Trigger|Placement)|Layout|For|Span|OverlayClassName|Align)|autocomplete|tabindex|name|href|src|scope|aria-(?:live|controls|hidden|current|pressed|describedby|labelledby|haspopup|expanded|autocomplete|atomic|owns|activedescendant)|data-.*|inputmode|d|viewBox|fill|stroke.*|xmlns.*|method|min|max|maxlength|step|cols|rows|colspan|rowspan|target|rel|lang|dir|x|y|x1|x2|y1|y2|cx|cy|r|width|height|points|transform|text-anchor|dominant-baseline|preserveAspectRatio|enctype|action|accept|formControlName|slot|select|kind|part|as)$/;

function inTemplate(file, template, before) {
  const found = [];
  const add = (text, span) => {
    const plain = text.replace(/\s+/g, ' ').trim();
    // Braces alone are filled in with what is said elsewhere.
    if (!/\p{L}/u.test(plain.replace(/\{\{(?:(?!['"`]).)*?\}\}/gu, ''))) return;
    found.push({ file, line: before + span.start.line + 1, text: plain });
  };
  const worded = (text) =>
    /\p{L}/u.test(text) && (/\s/.test(text.trim()) || /^\p{Lu}\p{Ll}/u.test(text.trim()));
  class Words extends TmplAstRecursiveVisitor {
    visitText(text) {
      add(text.value, text.sourceSpan);
    }
    visitBoundText(text) {
      add(text.sourceSpan.toString(), text.sourceSpan);
    }
    visitTextAttribute(attribute) {
      if (!TECHNICAL.test(attribute.name) && worded(attribute.value))
        add(attribute.value, attribute.sourceSpan);
    }
    visitBoundAttribute(attribute) {
      if (TECHNICAL.test(attribute.name) || /^(?:ngModel|ngClass|ngStyle)/.test(attribute.name)) return;
      const said = attribute.value?.source ?? '';
      if (/(['"`])[^'"`]*\p{L}[^'"`]*\1/u.test(said)) add(said, attribute.sourceSpan);
    }
  }
  const { nodes } = parseTemplate(template, file, { preserveWhitespaces: false });
  tmplAstVisitAll(new Words(), nodes);
  return found;
}

/** Properties that are never read by people. */
const OF_MACHINES =
  /^(?:selector|templateUrl|styles|styleUrl|host|path|imports|code|kind|type|id|key|method|url|headers?|event|class|className|queryParams|providedIn|exportAs|level|table|column|value)$/;

function inScript(file, source) {
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true);
  const found = [];
  const lineOf = (node) => tree.getLineAndCharacterOfPosition(node.getStart(tree)).line;
  const visit = (node) => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isPropertyAssignment(node)) {
      const name = node.name.getText(tree);
      if (name === 'template' && ts.isStringLiteralLike(node.initializer)) {
        found.push(...inTemplate(file, node.initializer.text, lineOf(node.initializer)));
        return;
      }
      if (OF_MACHINES.test(name) && ts.isStringLiteralLike(node.initializer)) return;
      if (name === 'styles' || name === 'host') return;
      visit(node.initializer);
      return;
    }
    const text = writtenIn(node, tree);
    if (text !== null) {
      if (isForPeople(text, file))
        found.push({ file, line: lineOf(node) + 1, text: text.replace(/\s+/g, ' ').trim() });
      if (!ts.isTemplateExpression(node)) return;
      for (const { expression } of node.templateSpans) visit(expression);
      return;
    }
    ts.forEachChild(node, visit);
  };
  visit(tree);
  return found;
}

function writtenIn(node, tree) {
  if (ts.isStringLiteralLike(node)) return node.text;
  if (!ts.isTemplateExpression(node)) return null;
  return node.templateSpans.reduce(
    (whole, { expression, literal }) =>
      `${whole}{${expression.getText(tree).replace(/\s+/g, ' ')}}${literal.text}`,
    node.head.text,
  );
}

/** A sentence, a phrase or a label: no name of a class, a path, a code, a line of SQL. */
function isForPeople(text, file) {
  const plain = text.replace(/\{[^{}]*\}/g, 'N').trim();
  if (!/\p{L}{2}/u.test(plain)) return false;
  if (/^(?:[\w.@/-]+|[a-z-]+:[\w./-]+)$/.test(plain)) return /^\p{Lu}\p{Ll}+$/u.test(plain);
  if (
    /[{};]\s*$|=>|^\s*(?:select|insert|update|delete|create|alter|drop|grant|show|set|lock|with)\s/i.test(
      plain,
    )
  )
    return false;
  if (/^(?:[a-z][\w-]*(?:\.[\w-]+)?)(?:\s+[a-z][\w-]*)*$/.test(plain))
    return /say|words/i.test(file) || plain.split(' ').length > 2;
  return /\s/.test(plain) || /^\p{Lu}/u.test(plain);
}
