import * as contract from '@burrow/contract/api';
import type { WaterFile } from '@burrow/contract/formats/water-geojson';

/** The server said no, and why. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

/** Nobody answered. */
export class OfflineError extends Error {
  constructor() {
    super('No signal');
  }
}

interface Schema<T> {
  parse: (value: unknown) => T;
}

/** A picture of the server's. Throws ApiError with what it said, OfflineError where nobody answered. */
async function picture(id: string): Promise<Blob> {
  let answer: Response;
  try {
    answer = await fetch(`/api/photos/${encodeURIComponent(id)}`, { signal: AbortSignal.timeout(15_000) });
  } catch {
    throw new OfflineError();
  }
  if (!answer.ok) throw new ApiError(answer.status, 'The picture has not come to the server yet.');
  return answer.blob();
}

async function ask<T>(path: string, schema: Schema<T> | null, init?: RequestInit, patienceMs = 15_000): Promise<T> {
  let answer: Response;
  try {
    answer = await fetch(`/api${path}`, { ...init, signal: AbortSignal.timeout(patienceMs) });
  } catch {
    throw new OfflineError();
  }
  if (answer.status === 502 || answer.status === 504) throw new OfflineError();
  const body: unknown = answer.status === 204 ? null : await answer.json().catch(() => null);
  if (!answer.ok) {
    const said = contract.problem.safeParse(body);
    throw new ApiError(answer.status, said.success ? (said.data.detail ?? said.data.title) : `The server answered ${answer.status}.`);
  }
  if (!schema) return body as T;
  try {
    return schema.parse(body);
  } catch {
    throw new ApiError(answer.status, 'The server answers something that this version does not understand. Reload, then try again.');
  }
}

const post = (body: unknown): RequestInit => ({ method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

export const api = {
  session: () => ask('/session', contract.session),
  enterDemo: () => ask('/session/demo', contract.session, post({})),
  signIn: (email: string, password: string) => ask('/session', contract.session, post({ email, password })),
  register: (email: string, password: string, name: string, invitation?: string) =>
    ask('/account', contract.session, post({ email, password, name, ...(invitation ? { invitation } : {}) })),
  askReset: (email: string) => ask('/account/reset-request', contract.resetAnswer, post({ email })),
  reset: (email: string, code: string, password: string) => ask('/account/reset', contract.session, post({ email, code, password })),
  changePassword: (current: string, next: string) => ask<null>('/account/password', null, { ...post({ current, next }), method: 'PUT' }),
  devices: () => ask('/account/sessions', contract.signedInDevices),
  endDevice: (id: string) => ask<null>(`/account/sessions/${encodeURIComponent(id)}`, null, { method: 'DELETE' }),
  endOtherDevices: () => ask<null>('/account/sessions', null, { method: 'DELETE' }),
  settings: (settings: contract.AccountSettings) => ask('/account/settings', contract.accountSettings, { ...post(settings), method: 'PUT' }),
  deleteAccount: (password: string) => ask<null>('/account', null, { ...post({ password }), method: 'DELETE' }),
  archiveUrl: '/api/account/archive',
  bringArchive: (file: Blob) => ask('/account/archive', contract.archiveTaken, { method: 'POST', headers: { 'content-type': 'application/zip' }, body: file }, 300_000),
  signOut: () => ask<null>('/session', null, { method: 'DELETE' }),
  waters: () => ask('/waters', contract.waterList),
  addWater: (file: WaterFile) => ask('/waters', contract.waterVersion, post(file)),
  /** `version` is the one that was changed; a 412 where another has come between. */
  changeWater: (id: string, version: number, file: WaterFile) =>
    ask(`/waters/${encodeURIComponent(id)}`, contract.waterVersion, {
      ...post(file),
      method: 'PUT',
      headers: { 'content-type': 'application/json', 'if-match': `"${version}"` },
    }),
  deleteWater: (id: string) => ask<null>(`/waters/${encodeURIComponent(id)}`, null, { method: 'DELETE' }),
  deletedWaters: () => ask('/deleted-waters', contract.deletedWaters),
  restoreWater: (id: string) => ask(`/waters/${encodeURIComponent(id)}/restore`, contract.waterVersion, post({})),
  water: (id: string) => ask(`/waters/${encodeURIComponent(id)}`, contract.waterDetail),
  weather: (id: string, days = 10) => ask(`/waters/${encodeURIComponent(id)}/weather?days=${days}`, contract.waterWeather),
  bringWeather: (id: string, weather: contract.BroughtWeather) => ask<null>(`/waters/${encodeURIComponent(id)}/weather`, null, { ...post(weather), method: 'PUT' }),
  forgetWeather: (id: string) => ask<null>(`/waters/${encodeURIComponent(id)}/weather`, null, { method: 'DELETE' }),
  winter: (id: string) => ask(`/waters/${encodeURIComponent(id)}/winter`, contract.waterWinter),
  crewOf: (outing: string) => ask(`/crews/of/${encodeURIComponent(outing)}`, contract.crewOfOuting),
  openCrew: (outing: string, name: string) => ask('/crews', contract.crewMembership, post({ outing, name })),
  joinCrew: (code: string, outing: string, name: string) => ask('/crews/join', contract.crewMembership, post({ code, outing, name })),
  crewBoard: (id: string) => ask(`/crews/${encodeURIComponent(id)}`, contract.crewBoard),
  crewStreamUrl: (id: string) => `/api/crews/${encodeURIComponent(id)}/stream`,
  leaveCrew: (id: string) => ask<null>(`/crews/${encodeURIComponent(id)}/me`, null, { method: 'DELETE' }),
  endCrew: (id: string) => ask<null>(`/crews/${encodeURIComponent(id)}`, null, { method: 'DELETE' }),
  photo: picture,
  keepPhoto: (id: string, jpeg: Blob) => ask<null>(`/photos/${encodeURIComponent(id)}`, null, { method: 'PUT', headers: { 'content-type': 'image/jpeg' }, body: jpeg }, 60_000),
  sync: (request: contract.SyncRequest) => ask('/ledger/sync', contract.syncResponse, post(request)),
};
