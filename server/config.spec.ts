import { readConfig } from './config';

describe('readConfig', () => {
  it('fills in what may be left out', () => {
    expect(readConfig({ DATABASE_URL: 'mysql://a@b/c' })).toEqual(
      jasmine.objectContaining({ HOST: '127.0.0.1', PORT: 4180, SECURE_COOKIE: false }),
    );
  });
  it('names each variable that is missing or wrong', () => {
    expect(() => readConfig({ PORT: '99999' })).toThrowError(/DATABASE_URL[\s\S]*PORT/);
  });
});
