import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { problemSchema, type ProblemKind } from '@neat-measure/contract';
import {
  catchError,
  defer,
  filter,
  from,
  map,
  merge,
  of,
  switchMap,
  take,
  tap,
  throwError,
  timeout,
  timer,
  type Observable,
} from 'rxjs';
import type { z } from 'zod';
import { Contact, PAST_WORKER } from './contact';

/** Why a request did not do what was asked, in words for the fitter. */
export class ApiProblem extends Error {
  constructor(
    /** `offline` when the server could not be reached at all. */
    readonly kind: ProblemKind | 'offline',
    detail: string,
    readonly findings: readonly string[] = [],
  ) {
    super(detail);
  }
}

/** Whether the server could not be reached, or cannot answer just now: the same may be asked again. */
export function isAway(problem: Error): boolean {
  return problem instanceof ApiProblem && (problem.kind === 'offline' || problem.kind === 'unavailable');
}

/** What answers in the server's place while it is away, of what this device took along; nothing where it cannot. */
export type Beside = (path: string) => Promise<unknown>;

/** So long the server is waited for where there is something here that can answer. */
const PATIENCE_MS = 8_000;

/** The server by its contract: every answer is read through its schema, every failure is an `ApiProblem`. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);
  private readonly contact = inject(Contact);
  private beside: Beside | null = null;

  /** What is asked from now on while the server is away; `null` for nothing. */
  answersBy(beside: Beside | null): void {
    this.beside = beside;
  }

  get<Value>(path: string, schema: z.ZodType<Value, unknown>): Observable<Value> {
    return defer(() => {
      const { beside } = this;
      const asked = this.read(this.http.get(path, { headers: HEADERS }), schema);
      if (beside === null) return asked;
      // Known to be away, nobody waits for it; what has no answer here is asked of it all the same.
      if (this.contact.away()) return this.answered(beside, path, schema, asked);
      // A network that swallows everything answers nothing and refuses nothing. What has no answer here is waited for.
      const late = timer(PATIENCE_MS).pipe(
        switchMap(() => beside(path)),
        filter((answer) => answer !== undefined),
        tap(() => this.contact.failed()),
        map((answer) => schema.parse(answer)),
      );
      return merge(asked, late).pipe(
        take(1),
        catchError((problem: Error) => {
          const failed = throwError(() => problem);
          return isAway(problem) ? this.answered(beside, path, schema, failed) : failed;
        }),
      );
    });
  }

  private answered<Value>(
    beside: Beside,
    path: string,
    schema: z.ZodType<Value, unknown>,
    otherwise: Observable<Value>,
  ): Observable<Value> {
    return from(beside(path)).pipe(
      switchMap((answer) => (answer === undefined ? otherwise : of(schema.parse(answer)))),
    );
  }

  /** What is waited for no longer than people wait before a page: then the server counts as away. */
  patiently<Value>(answer: Observable<Value>, patience = PATIENCE_MS): Observable<Value> {
    const unreached = () => {
      this.contact.failed();
      return new ApiProblem('offline', AWAY);
    };
    return answer.pipe(timeout({ first: patience, with: () => throwError(unreached) }));
  }

  /** Without a schema nothing comes back. */
  put(path: string, body: unknown): Observable<void>;
  put<Value>(path: string, body: unknown, schema: z.ZodType<Value, unknown>): Observable<Value>;
  put<Value>(path: string, body: unknown, schema?: z.ZodType<Value, unknown>): Observable<Value | void> {
    const answer = this.http.put(path, body, { headers: HEADERS });
    return schema === undefined ? this.done(answer) : this.read(answer, schema);
  }

  post<Value>(path: string, body: unknown, schema: z.ZodType<Value, unknown>): Observable<Value> {
    return this.read(this.http.post(path, body, { headers: HEADERS }), schema);
  }

  delete(path: string, body?: unknown): Observable<void> {
    return this.done(this.http.delete(path, { body, headers: HEADERS }));
  }

  /** Takes something away, of which something is told. */
  remove<Value>(path: string, schema: z.ZodType<Value, unknown>): Observable<Value> {
    return this.read(this.http.delete(path, { headers: HEADERS }), schema);
  }

  private done(answer: Observable<unknown>): Observable<void> {
    return this.told(answer).pipe(map(() => undefined));
  }

  private read<Value>(answer: Observable<unknown>, schema: z.ZodType<Value, unknown>): Observable<Value> {
    return this.told(answer.pipe(map((body) => schema.parse(body))));
  }

  /** Every answer tells whether the server is there. */
  private told<Value>(answer: Observable<Value>): Observable<Value> {
    return answer.pipe(
      tap(() => this.contact.reached()),
      catchError((error: unknown) => {
        const problem = toProblem(error);
        if (isAway(problem)) this.contact.failed();
        else this.contact.reached();
        return throwError(() => problem);
      }),
    );
  }
}

const HEADERS = { [PAST_WORKER]: 'true' };
/** What is said where the server could not be reached. */
export const AWAY = 'The server cannot be reached. Your input is kept. Try again when the network is back.';

function toProblem(error: unknown): ApiProblem {
  if (!(error instanceof HttpErrorResponse)) {
    return new ApiProblem(
      'unexpected',
      'The server’s answer does not match this page. Reload the page and try again.',
    );
  }
  if (error.status === 0) return new ApiProblem('offline', AWAY);
  const body: unknown = typeof error.error === 'string' ? parseJson(error.error) : error.error;
  const problem = problemSchema.safeParse(body);
  // Something between here and the server says that it is not there just now.
  const away = [502, 503, 504].includes(error.status);
  if (!problem.success)
    return new ApiProblem(
      away ? 'unavailable' : 'unexpected',
      `The server answered ${error.status}. Try again in a moment.`,
    );
  return new ApiProblem(
    problem.data.type.split('/').at(-1) as ProblemKind,
    problem.data.detail,
    problem.data.findings,
  );
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
