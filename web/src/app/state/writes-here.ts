import { Injectable, signal } from '@angular/core';

const KEY = 'oat-crock-writes';
const MOST = 60;

/** The name that stands at what is written on this device, where the server does not ask who it is; empty for none. */
@Injectable({ providedIn: 'root' })
export class WritesHere {
  private readonly kept = signal(read());
  readonly name = this.kept.asReadonly();

  set(name: string): void {
    const plain = name.trim().slice(0, MOST);
    this.kept.set(plain);
    try {
      localStorage.setItem(KEY, plain);
    } catch {
      // A browser that keeps nothing has it until it is closed.
    }
  }
}

function read(): string {
  try {
    return (localStorage.getItem(KEY) ?? '').slice(0, MOST);
  } catch {
    return '';
  }
}
