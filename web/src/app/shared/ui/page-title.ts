import { effect, inject, Injectable, signal } from '@angular/core';
import { Title } from '@angular/platform-browser';
import { TitleStrategy, type RouterStateSnapshot } from '@angular/router';
import type { MessageKey } from '@oat-crock/core';
import { tell } from './said';

/** The title of the page: what its place is called, as the household reads it. */
@Injectable()
export class PageTitle extends TitleStrategy {
  private readonly title = inject(Title);
  private readonly place = signal<MessageKey | null>(null);

  constructor() {
    super();
    effect(() => {
      const place = this.place();
      if (place) this.title.setTitle(`${tell(place as 'page.shell.places.today')}, Oat Crock`);
    });
  }

  override updateTitle(snapshot: RouterStateSnapshot): void {
    this.place.set((this.buildTitle(snapshot) as MessageKey | undefined) ?? null);
  }
}
