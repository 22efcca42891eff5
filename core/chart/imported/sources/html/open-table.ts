import { LIMITS, type ImportProblem } from '../imported';
import { plainText, RAISED_END, RAISED_START } from './plain-text';

/** What all tables of a page may take together, as far as it is used. */
export interface PageBudget {
  filled: number;
  spans: number;
  /** Called with why the page is looked at no further. */
  readonly stop: (problem: ImportProblem) => void;
}

/** One table while its page is read: its rows, every spanned cell in each of the places it covers. */
export class OpenTable {
  name = '';
  /** Whether its caption is being read. */
  inCaption = false;
  readonly rows: string[][] = [];
  /** Cells that reach down into rows to come: by column, how many rows and what they hold. */
  private readonly reaching = new Map<number, { rows: number; text: string }>();
  private row: string[] | null = null;
  private cell: { text: string; notes: string; readonly down: number; readonly along: number } | null = null;

  constructor(private readonly budget: PageBudget) {}

  /** Takes text into the caption or the open cell. */
  write(text: string, raised: boolean): void {
    if (this.inCaption) this.name = `${this.name}${text}`.slice(0, 200);
    else if (this.cell !== null) {
      // A raised mark that is no figure points at a note.
      if (raised && !/^\s*[\d½¼¾]+\s*$/.test(text)) this.cell.notes += text;
      else this.cell.text += raised ? `${RAISED_START}${text.trim()}${RAISED_END}` : text;
      if (this.cell.text.length > LIMITS.cell * 4) this.stopAtCell();
    }
  }

  beginRow(): void {
    this.endRow();
    this.row = [];
  }

  beginCell(along: number, down: number): void {
    this.endCell();
    this.row ??= [];
    if (along * down > 1) this.budget.spans += 1;
    if (along > LIMITS.columns || down > LIMITS.rows || along * down > LIMITS.cells)
      return this.budget.stop({ code: 'too-far-out', where: this.name, rows: down, columns: along });
    this.cell = { text: '', notes: '', down, along };
  }

  endCell(): void {
    if (this.cell === null) return;
    const { text, notes, along, down } = this.cell;
    this.cell = null;
    this.row ??= [];
    const plain = plainText(text, notes);
    if (plain.length > LIMITS.cell) this.stopAtCell();
    else this.place(this.row, plain, along, down);
  }

  endRow(): void {
    this.endCell();
    if (this.row === null) return;
    this.takeReaching(this.row);
    this.rows.push(this.row);
    this.row = null;
    if (this.rows.length > LIMITS.rows)
      this.budget.stop({ code: 'too-far-out', where: this.name, rows: this.rows.length, columns: 1 });
  }

  private place(row: string[], text: string, along: number, down: number): void {
    const { budget } = this;
    this.takeReaching(row);
    for (let at = 0; at < along; at++) {
      if (down > 1) this.reaching.set(row.length, { rows: down - 1, text });
      row.push(text);
    }
    budget.filled += text === '' ? 0 : along * down;
    if (row.length > LIMITS.columns)
      budget.stop({ code: 'too-far-out', where: this.name, rows: this.rows.length, columns: row.length });
    if (budget.filled > LIMITS.cells || budget.spans > LIMITS.spans)
      budget.stop({ code: 'too-many-cells', where: this.name });
  }

  /** Takes into a row what reaches down into it from above, as far as it is written. */
  private takeReaching(row: string[]): void {
    for (
      let found = this.reaching.get(row.length);
      found !== undefined;
      found = this.reaching.get(row.length)
    ) {
      if (found.rows <= 1) this.reaching.delete(row.length);
      else found.rows -= 1;
      row.push(found.text);
      if (row.length > LIMITS.columns * 2) return;
    }
  }

  private stopAtCell(): void {
    const [line, column] = [this.rows.length + 1, (this.row?.length ?? 0) + 1];
    this.budget.stop({ code: 'cell-too-long', where: this.name, line, column });
  }
}
