import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { ROUTES } from '@neat-measure/contract';
import { SignIn } from './sign-in';

describe('SignIn', () => {
  function open() {
    TestBed.configureTestingModule({
      providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])],
    });
    const fixture = TestBed.createComponent(SignIn);
    const host = fixture.nativeElement as HTMLElement;
    fixture.detectChanges();
    TestBed.inject(HttpTestingController).expectOne(ROUTES.session).flush({ who: null, firstRun: false });
    fixture.detectChanges();
    const press = (name: string) =>
      [...host.querySelectorAll('button')].find((one) => one.textContent?.includes(name))!.click();
    const name = () => host.querySelector<HTMLInputElement>('input[autocomplete=username]')!;
    const write = (value: string) => {
      name().value = value;
      name().dispatchEvent(new Event('input'));
    };
    return { fixture, press, name, write };
  }

  it('takes the name that was typed over to the form for a one-time code, and back', () => {
    const { fixture, press, name, write } = open();
    write('maelis');
    press('I have a one-time code');
    fixture.detectChanges();
    expect(name().value).toBe('maelis');
    write('maelis-thorne');
    press('Back to sign-in');
    fixture.detectChanges();
    expect(name().value).toBe('maelis-thorne');
  });

  it('loses no name that is typed after the other form was asked for and before it stands', () => {
    const { fixture, press, name, write } = open();
    press('I have a one-time code');
    write('maelis');
    fixture.detectChanges();
    expect(name().value).toBe('maelis');
  });
});
