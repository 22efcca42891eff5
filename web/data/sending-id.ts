import { v7 as uuidv7 } from 'uuid';
import { ApiProblem, isAway } from './api';

/**
 * The id under which something is sent that must not be done twice. It stays the same until it is known whether
 * it was done: an answer that was lost on its way says nothing of that, and the same id sent again does nothing more.
 */
export class SendingId {
  private id = uuidv7();

  get value(): string {
    return this.id;
  }

  /** It was done: what comes next is another thing. */
  done(): void {
    this.id = uuidv7();
  }

  /** It failed. What was refused is another thing once it is mended; what may have arrived is not. */
  failed(problem: Error): void {
    const refused = problem instanceof ApiProblem && !isAway(problem) && problem.kind !== 'unexpected';
    if (refused) this.done();
  }
}
