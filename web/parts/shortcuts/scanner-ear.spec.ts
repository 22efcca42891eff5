import { ScannerEar } from './scanner-ear';

describe('ScannerEar', () => {
  let heard: string[];
  let passed: string[];
  let ear: ScannerEar;
  beforeEach(() => {
    jasmine.clock().install();
    [heard, passed] = [[], []];
    ear = new ScannerEar(
      (code) => heard.push(code),
      ({ key }) => passed.push(key),
    );
  });
  afterEach(() => jasmine.clock().uninstall());

  let at = 1_000;
  const key = (name: string, after: number) => {
    at += after;
    const event = new KeyboardEvent('keydown', { key: name, cancelable: true });
    Object.defineProperty(event, 'timeStamp', { value: at });
    return event;
  };
  const burst = (code: string) => [...code, 'Enter'].map((one) => ear.takes(key(one, 3)));

  it('takes a code whole, and lets no key of it be a command', () => {
    expect(burst('NM000024').every(Boolean)).toBeTrue();
    jasmine.clock().tick(500);
    expect([heard, passed]).toEqual([['NM000024'], []]);
  });

  it('hears an address whole, where numbers are typed, too', () => {
    const lettered = new ScannerEar(
      (code) => heard.push(code),
      ({ key: name }) => passed.push(name),
      () => 'lettered',
    );
    const address = 'https://hall.example/self/4K7QXF9MWB';
    for (const one of [...address, 'Enter']) {
      const event = key(one, 3);
      // The slash would open a list of everything elsewhere: it is known to be the scanner's before that.
      expect(lettered.goesOn(event)).toBe(one !== 'h' || lettered.holds);
      expect(lettered.takes(event)).toBeTrue();
      expect(lettered.takes(event)).withContext('asked again').toBeTrue();
    }
    jasmine.clock().tick(500);
    expect([heard, passed]).toEqual([[address], []]);
    expect(lettered.goesOn(key('/', 3))).toBeFalse();
  });

  it('hears a code once where a field that is about to go still has the keys', () => {
    const field = document.body.appendChild(document.createElement('input'));
    for (const one of [...'NM000024', 'Enter']) {
      const event = key(one, 3);
      ear.listensIn(field, event);
      expect(ear.takes(event)).toBeTrue();
    }
    jasmine.clock().tick(500);
    expect([heard, passed]).toEqual([['NM000024'], []]);
    // And what a slow hand types there is no code.
    for (const one of [...'NM000024', 'Enter']) {
      const event = key(one, 120);
      ear.listensIn(field, event);
      ear.takes(event);
      jasmine.clock().tick(120);
    }
    expect([heard, passed.join('')]).toEqual([['NM000024'], 'NM000024']);
    field.remove();
  });

  it('waits for the rest of a code that halts on its way, and tears none apart', () => {
    for (const [at, one] of [...'NM000024'].entries()) {
      const after = at === 2 || at === 5 ? 150 : 3;
      jasmine.clock().tick(after);
      expect(ear.takes(key(one, after))).toBeTrue();
    }
    jasmine.clock().tick(180);
    expect(ear.takes(key('Enter', 180))).toBeTrue();
    expect([heard, passed]).toEqual([['NM000024'], []]);
  });

  it('passes on what hands type, in its order, Enter after it', () => {
    expect(ear.takes(key('2', 400))).toBeTrue();
    expect(passed).toEqual([]);
    jasmine.clock().tick(61);
    expect(passed).toEqual(['2']);
    ear.takes(key('a', 400));
    expect(ear.takes(key('Enter', 20)))
      .withContext('one key and Enter are a hand’s')
      .toBeFalse();
    expect([heard, passed]).toEqual([[], ['2', 'a']]);
  });

  it('takes no code out of a slow hand, however long, and leaves commands with Ctrl alone', () => {
    for (const one of 'NM000024') {
      ear.takes(key(one, 120));
      jasmine.clock().tick(120);
    }
    expect(ear.takes(key('Enter', 120))).toBeFalse();
    expect([heard, passed.join('')]).toEqual([[], 'NM000024']);
    expect(ear.takes(new KeyboardEvent('keydown', { key: 'k', ctrlKey: true }))).toBeFalse();
  });

  it('types on where a command has gone to a field, however fast', () => {
    const field = document.body.appendChild(document.createElement('input'));
    ear = new ScannerEar(
      (code) => heard.push(code),
      ({ key: name }) => (passed.push(name), name === 'w' && field.focus()),
    );
    for (const one of 'wRuna O') ear.takes(key(one, 3));
    expect(ear.takes(key('Enter', 3))).toBeFalse();
    expect([passed, field.value, heard]).toEqual([['w'], 'Runa O', []]);
    field.remove();
  });

  it('presses the keys after a command anew, where others of the page hear them', () => {
    const pressed: string[] = [];
    const listens = (event: Event) => {
      const pressedAnew = event as KeyboardEvent;
      expect(ear.takes(pressedAnew)).toBeFalse();
      pressed.push(pressedAnew.key);
    };
    document.addEventListener('keydown', listens);
    for (const one of '+high') ear.takes(key(one, 3));
    jasmine.clock().tick(201);
    document.removeEventListener('keydown', listens);
    expect([passed, pressed]).toEqual([['+'], ['h', 'i', 'g', 'h']]);
  });

  it('hears among numbers only what begins with letters as codes do', () => {
    ear = new ScannerEar(
      (code) => heard.push(code),
      ({ key: name }) => passed.push(name),
      () => 'lettered',
    );
    expect(burst('NM000024').every(Boolean)).toBeTrue();
    expect(heard).toEqual(['NM000024']);
    // A reading, however fast; and one after a command.
    expect(burst('110.5')).toEqual(Array(6).fill(false));
    const field = document.body.appendChild(document.createElement('input'));
    field.focus();
    for (const one of 'r97.5') ear.takes(key(one, 3));
    expect(ear.takes(key('Enter', 3))).toBeFalse();
    expect([passed, field.value, heard.length]).toEqual([['r'], '97.5', 1]);
    field.remove();
  });

  it('lets go of a key where the one before has gone to where digits are readings', () => {
    let isPast = true;
    ear = new ScannerEar(
      (code) => heard.push(code),
      ({ key: name }) => (passed.push(name), (isPast = name !== 'b')),
      () => (isPast ? 'any' : 'none'),
    );
    ear.takes(key('b', 3));
    // Nothing has ticked: a busy page comes to both keys at once.
    expect([...'110.5'].map((one, at) => ear.takes(key(one, at === 0 ? 90 : 3)))).toEqual(
      Array(5).fill(false),
    );
    expect(ear.takes(key('Enter', 3))).toBeFalse();
    expect([passed, heard]).toEqual([['b'], []]);
  });

  it('leaves a day as it was that a code went through', () => {
    const field = document.createElement('input');
    field.type = 'date';
    field.value = '2026-12-04';
    const changes: string[] = [];
    field.addEventListener('change', () => changes.push(field.value));
    for (const one of 'ZW-12') {
      ear.listensIn(field, key(one, 3));
      // What a browser makes of a digit in a field of a day.
      field.value = `2026-0${/\d/.test(one) ? one : '1'}-04`;
    }
    ear.listensIn(field, key('Enter', 3));
    expect([field.value, changes, heard]).toEqual(['2026-12-04', ['2026-12-04'], ['ZW-12']]);
    for (const one of '05122026') ear.listensIn(field, key(one, 120));
    field.value = '2026-12-05';
    ear.listensIn(field, key('Enter', 120));
    expect([field.value, heard.length]).toEqual(['2026-12-05', 1]);
  });

  it('takes a code out of a field that is too short for it, and one that was written over', () => {
    const count = document.createElement('input');
    count.maxLength = 5;
    count.value = '2';
    for (const one of 'NM000024') {
      ear.listensIn(count, key(one, 3));
      count.value = (count.value + one).slice(0, 5);
    }
    ear.listensIn(count, key('Enter', 3));
    expect([count.value, heard]).toEqual(['2', ['NM000024']]);
  });

  it('takes a code out of a field, too, that halts on its way; a quick hand with as long a halt has typed', () => {
    const field = document.createElement('input');
    const types = (text: string, gap: number, halt: number) => {
      for (const [at, one] of [...text].entries()) {
        ear.listensIn(field, key(one, at === 3 ? halt : gap));
        field.value += one;
      }
      ear.listensIn(field, key('Enter', gap));
    };
    types('NM000024', 3, 150);
    expect([field.value, heard]).toEqual(['', ['NM000024']]);
    jasmine.clock().tick(500);
    types('NM000024', 50, 190);
    expect([field.value, heard.length]).withContext('66 ms a key').toEqual(['NM000024', 1]);
    // By hand and at once by scanner: what was typed stays.
    field.value = '';
    for (const one of 'Runa') {
      ear.listensIn(field, key(one, 90));
      field.value += one;
    }
    ear.listensIn(field, key('N', 90));
    field.value += 'N';
    types('M000024', 3, 3);
    expect([field.value, heard.at(-1), heard.length]).toEqual(['Runa', 'NM000024', 2]);
  });

  it('takes a code out of a field again before the field has its Enter, and leaves what was typed by hand', () => {
    const field = document.createElement('input');
    field.value = 'Runa ';
    const types = (text: string, gap: number) => {
      for (const one of text) {
        ear.listensIn(field, key(one, gap));
        field.value += one;
      }
    };
    types('NM000024', 3);
    const enter = key('Enter', 3);
    ear.listensIn(field, enter);
    expect([field.value, heard, enter.defaultPrevented]).toEqual(['Runa ', ['NM000024'], true]);
    types('Castellanos', 90);
    const own = key('Enter', 90);
    ear.listensIn(field, own);
    expect([field.value, heard.length, own.defaultPrevented]).toEqual(['Runa Castellanos', 1, false]);
  });
});
