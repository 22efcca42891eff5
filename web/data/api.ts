import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { problemSchema, type ProblemKind } from '@neat-measure/contract';
import { catchError, map, throwError, type Observable } from 'rxjs';
import type { z } from 'zod';

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

/** The server by its contract: every answer is read through its schema, every failure is an `ApiProblem`. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  get<Value>(path: string, schema: z.ZodType<Value, unknown>): Observable<Value> {
    return this.read(this.http.get(path), schema);
  }

  /** Without a schema nothing comes back. */
  put(path: string, body: unknown): Observable<void>;
  put<Value>(path: string, body: unknown, schema: z.ZodType<Value, unknown>): Observable<Value>;
  put<Value>(path: string, body: unknown, schema?: z.ZodType<Value, unknown>): Observable<Value | void> {
    const answer = this.http.put(path, body);
    return schema === undefined ? this.done(answer) : this.read(answer, schema);
  }

  post<Value>(path: string, body: unknown, schema: z.ZodType<Value, unknown>): Observable<Value> {
    return this.read(this.http.post(path, body), schema);
  }

  delete(path: string, body?: unknown): Observable<void> {
    return this.done(this.http.delete(path, { body }));
  }

  /** Takes something away, of which something is told. */
  remove<Value>(path: string, schema: z.ZodType<Value, unknown>): Observable<Value> {
    return this.read(this.http.delete(path), schema);
  }

  private done(answer: Observable<unknown>): Observable<void> {
    return answer.pipe(
      map(() => undefined),
      catchError((error: unknown) => throwError(() => toProblem(error))),
    );
  }

  private read<Value>(answer: Observable<unknown>, schema: z.ZodType<Value, unknown>): Observable<Value> {
    return answer.pipe(
      map((body) => schema.parse(body)),
      catchError((error: unknown) => throwError(() => toProblem(error))),
    );
  }
}

function toProblem(error: unknown): ApiProblem {
  if (!(error instanceof HttpErrorResponse)) {
    return new ApiProblem(
      'unexpected',
      'The server’s answer does not match this page. Reload the page and try again.',
    );
  }
  if (error.status === 0)
    return new ApiProblem(
      'offline',
      'The server cannot be reached. Your input is kept. Try again when the network is back.',
    );
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
