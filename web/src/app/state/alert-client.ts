import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type {
  AlertBook,
  AlertRecipientMade,
  AlertTrial,
  AlertWish,
  PushAddress,
  SimulatedLetter,
} from '@oat-crock/contract/api';
import { firstValueFrom as once } from 'rxjs';

const API = '/api/v1/alerts';

/** Who is told of hands with no page open, on the server. */
@Injectable({ providedIn: 'root' })
export class AlertClient {
  private readonly http = inject(HttpClient);

  book(): Promise<AlertBook> {
    return once(this.http.get<AlertBook>(API));
  }

  /** What the demonstration's stand-ins received. */
  letters(): Promise<{ readonly letters: readonly SimulatedLetter[] }> {
    return once(this.http.get<{ letters: SimulatedLetter[] }>(`${API}/letters`));
  }

  add(wish: AlertWish, push?: PushAddress): Promise<AlertRecipientMade> {
    return once(this.http.post<AlertRecipientMade>(`${API}/recipients`, { ...wish, ...(push && { push }) }));
  }

  change(id: string, wish: AlertWish): Promise<AlertBook> {
    return once(this.http.put<AlertBook>(`${API}/recipients/${id}`, wish));
  }

  remove(id: string): Promise<AlertBook> {
    return once(this.http.delete<AlertBook>(`${API}/recipients/${id}`));
  }

  tryOut(id: string): Promise<AlertTrial> {
    return once(this.http.post<AlertTrial>(`${API}/recipients/${id}/trial`, null));
  }

  renewKey(id: string): Promise<AlertRecipientMade> {
    return once(this.http.post<AlertRecipientMade>(`${API}/recipients/${id}/key`, null));
  }
}
