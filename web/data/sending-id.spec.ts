import { ApiProblem } from './api';
import { SendingId } from './sending-id';

describe('SendingId', () => {
  it('stays where nobody knows whether it arrived, and is another once it was done or refused', () => {
    const id = new SendingId();
    const first = id.value;
    for (const kind of ['offline', 'unavailable', 'unexpected'] as const) id.failed(new ApiProblem(kind, ''));
    id.failed(new Error('of the page itself'));
    expect(id.value).toBe(first);
    id.failed(new ApiProblem('stock-refused', ''));
    const second = id.value;
    expect(second).not.toBe(first);
    id.done();
    expect(id.value).not.toBe(second);
  });
});
