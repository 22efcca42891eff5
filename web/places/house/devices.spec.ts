import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { PATHS, type AwayDevice } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Devices } from './devices';

const AT = '2026-12-01T08:00:00.000Z';
const device = (more: Partial<AwayDevice>): AwayDevice => ({
  ...{
    id: uuidv7(),
    agent: 'unknown',
    muster: { id: uuidv7(), name: 'Winter issue' },
    fitters: ['Tiernan Oake'],
  },
  ...{ takenAt: AT, heardAt: AT, clockOff: 0, endedAt: null, endedBy: null, erasedAt: null, missing: [] },
  ...more,
});

describe('Devices', () => {
  const open = (devices: readonly AwayDevice[]) => {
    TestBed.configureTestingModule({
      providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])],
    });
    const fixture = TestBed.createComponent(Devices);
    fixture.detectChanges();
    TestBed.inject(HttpTestingController).expectOne(PATHS.awayDevices).flush(devices);
    fixture.detectChanges();
    const rows = [...(fixture.nativeElement as HTMLElement).querySelectorAll('li')];
    return rows.map((row) => ({
      text: row.textContent!.replace(/\s+/g, ' ').trim(),
      links: [...row.querySelectorAll('a')].map((link) => link.getAttribute('href')),
      ends: row.querySelector('button') !== null,
    }));
  };

  it('says that there are none', () => {
    expect(open([])).toEqual([{ text: 'No device has taken a muster along.', links: [], ends: false }]);
  });

  it('names by docket what waited on one and has not come, and where wearers stood', () => {
    const [docketId, unopened] = [uuidv7(), uuidv7()];
    const one = device({
      clockOff: 10_800,
      missing: [
        { docketId, number: 12, wearer: 'Oona Pelt', station: null, changes: 9 },
        { docketId: unopened, number: null, wearer: 'Ilse Passer', station: 'Tape', changes: null },
      ],
    });
    const [row] = open([one]);
    expect(row!.text).toContain('A browser, Tiernan Oake');
    expect(row!.text).toContain('The clock of this device is 3 hours ahead.');
    expect(row!.text).toContain('9 changes on 1 docket waited on it and have not come.');
    expect(row!.text).toContain('1 wearer stood at its station (Tape), and nothing from there has come.');
    expect(row!.text).toContain('Oona Pelt, docket 12');
    expect(row!.text).toContain('Ilse Passer, no docket yet');
    expect(row!.links).toEqual([`/roll/${one.muster!.id}`, `/bench/${docketId}`]);
    expect(row!.ends).toBeTrue();
  });

  it('says who ended one, and whether it has erased what it had', () => {
    const by = { id: uuidv7(), name: 'Odalys Wren' };
    const rows = open([
      device({ endedAt: AT, endedBy: by }),
      device({ endedAt: AT, endedBy: null, erasedAt: AT, muster: null, fitters: [] }),
    ]);
    expect(rows[0]!.text).toContain('Ended by Odalys Wren');
    expect(rows[0]!.text).toContain('what is on it stays sealed');
    expect(rows[1]!.text).toContain('Ended by a lead fitter');
    expect(rows[1]!.text).toContain('Erased ');
    expect(rows.map(({ ends }) => ends)).toEqual([false, false]);
  });
});
