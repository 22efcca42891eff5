import { Injectable, signal } from '@angular/core';

const KEPT_AS = 'neat-measure.speech';

/** Spoken prompts by the browser's own voice; off until somebody turns them on. */
@Injectable({ providedIn: 'root' })
export class SpeechService {
  readonly available = 'speechSynthesis' in globalThis;
  readonly on = signal(this.available && localStorage.getItem(KEPT_AS) === 'on');

  toggle(): void {
    this.on.update((on) => this.available && !on);
    localStorage.setItem(KEPT_AS, this.on() ? 'on' : 'off');
    if (!this.on() && this.available) speechSynthesis.cancel();
  }

  /** Says a prompt, in the place of whatever was being said. */
  say(text: string): void {
    if (!this.on()) return;
    speechSynthesis.cancel();
    const prompt = new SpeechSynthesisUtterance(text);
    prompt.lang = 'en';
    speechSynthesis.speak(prompt);
  }
}
