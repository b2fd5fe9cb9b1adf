import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { Access, Devices, Invited, Role } from '@oat-crock/contract/api';
import { firstValueFrom as once } from 'rxjs';

const API = '/api/v1/access';

/** What a way in is made of. */
export interface Inviting {
  readonly kind: 'code' | 'link';
  readonly role: Role;
  readonly maker: string;
  readonly days?: number;
}

/** Who may, on the server. */
@Injectable({ providedIn: 'root' })
export class AccessClient {
  private readonly http = inject(HttpClient);

  /** How this device stands to the dairy. */
  access(): Promise<Access> {
    return once(this.http.get<Access>(API));
  }

  /** Has this device let in: by the passphrase, a code or the secret of a link. */
  enter(way: { readonly passphrase: string } | { readonly secret: string }, name: string, maker: string) {
    return once(this.http.post<Access>(`${API}/devices`, { ...way, name, ...(maker && { maker }) }));
  }

  signOut(): Promise<Access> {
    return once(this.http.delete<Access>(`${API}/me`));
  }

  /** Sets the passphrase; with `signOut` everybody else must be let in anew. */
  setPassphrase(passphrase: string, signOut: boolean): Promise<Access> {
    return once(this.http.put<Access>(`${API}/passphrase`, { passphrase, signOut }));
  }

  devices(): Promise<Devices> {
    return once(this.http.get<Devices>(`${API}/devices`));
  }

  change(id: string, device: { readonly name: string; readonly maker: string; readonly role: Role }) {
    return once(this.http.put<Devices>(`${API}/devices/${id}`, device));
  }

  shutOut(id: string): Promise<Devices> {
    return once(this.http.delete<Devices>(`${API}/devices/${id}`));
  }

  invite(inviting: Inviting): Promise<Invited> {
    return once(this.http.post<Invited>(`${API}/invitations`, inviting));
  }

  takeBack(id: string): Promise<Devices> {
    return once(this.http.delete<Devices>(`${API}/invitations/${id}`));
  }
}
