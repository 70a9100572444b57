import * as api from '@burrow/contract/api';
import { waterFile } from '@burrow/contract/formats/water-geojson';
import { z } from 'zod';

interface Operation {
  method: 'get' | 'post' | 'put' | 'delete';
  path: string;
  summary: string;
  request?: z.ZodType;
  response?: z.ZodType;
  status?: number;
}

const operations: Operation[] = [
  { method: 'get', path: '/api/session', summary: 'Who is signed in, and the time here', response: api.session },
  { method: 'post', path: '/api/session', summary: 'Sign in', request: api.credentials, response: api.session },
  { method: 'delete', path: '/api/session', summary: 'Sign out', status: 204 },
  { method: 'post', path: '/api/session/demo', summary: 'Enter the demo account (demo only)', response: api.session },
  { method: 'post', path: '/api/account', summary: 'Make an account', request: api.registration, response: api.session, status: 201 },
  { method: 'delete', path: '/api/account', summary: 'Delete the account with everything that is kept of it', request: api.passwordProof, status: 204 },
  { method: 'put', path: '/api/account/password', summary: 'Set a new password; every other session ends', request: api.passwordChange, status: 204 },
  {
    method: 'post',
    path: '/api/account/reset-request',
    summary: 'Ask for a code by mail, where this server sends any',
    request: api.resetRequest,
    response: api.resetAnswer,
    status: 202,
  },
  { method: 'post', path: '/api/account/reset', summary: 'Set a new password by a code', request: api.passwordReset, response: api.session },
  { method: 'get', path: '/api/account/sessions', summary: 'Where the account is signed in', response: api.signedInDevices },
  { method: 'delete', path: '/api/account/sessions', summary: 'End every session but this one', status: 204 },
  { method: 'delete', path: '/api/account/sessions/{id}', summary: 'End one session', status: 204 },
  { method: 'get', path: '/api/account/settings', summary: 'Settings that go with the angler', response: api.accountSettings },
  { method: 'put', path: '/api/account/settings', summary: 'Join settings: of each the later stands', request: api.accountSettings, response: api.accountSettings },
  { method: 'get', path: '/api/account/archive', summary: 'All of the account in one zip file' },
  { method: 'post', path: '/api/account/archive', summary: 'Take in such a file', response: api.archiveTaken },
  { method: 'post', path: '/api/ledger/sync', summary: 'Exchange events', request: api.syncRequest, response: api.syncResponse },
  { method: 'put', path: '/api/photos/{id}', summary: 'Keep the picture of a fish, image/jpeg, at most 400 kB; what it says of where it was taken is left out', status: 204 },
  { method: 'get', path: '/api/photos/{id}', summary: 'The picture of a fish, image/jpeg' },
  { method: 'get', path: '/api/waters', summary: 'Your waters', response: api.waterList },
  { method: 'post', path: '/api/waters', summary: 'Add a water; 409 where one of this name is there', request: waterFile, response: api.waterVersion, status: 201 },
  { method: 'get', path: '/api/deleted-waters', summary: 'Waters that were deleted and can be brought back', response: api.deletedWaters },
  { method: 'get', path: '/api/waters/{id}', summary: 'A water with its map data', response: api.waterDetail },
  {
    method: 'put',
    path: '/api/waters/{id}',
    summary: 'Change a water: its marks, outline or soundings. If-Match names the version that was changed; 412 where another has come between',
    request: waterFile,
    response: api.waterVersion,
  },
  { method: 'delete', path: '/api/waters/{id}', summary: 'Delete a water; what was logged on it stays', status: 204 },
  { method: 'post', path: '/api/waters/{id}/restore', summary: 'Bring a deleted water back', response: api.waterVersion },
  { method: 'get', path: '/api/waters/{id}/weather', summary: 'Weather observed and forecast', response: api.waterWeather },
  { method: 'put', path: '/api/waters/{id}/weather', summary: 'Bring weather of your own: an hour brought before gives way', request: api.broughtWeather, status: 204 },
  { method: 'delete', path: '/api/waters/{id}/weather', summary: 'Forget the weather that was brought', status: 204 },
  { method: 'get', path: '/api/waters/{id}/winter', summary: "A water's winter day by day: ice, warmth and oxygen, modelled and corrected", response: api.waterWinter },
  { method: 'post', path: '/api/crews', summary: 'Open a crew for an outing of your own', request: api.crewOpening, response: api.crewMembership, status: 201 },
  { method: 'post', path: '/api/crews/join', summary: 'Join a crew by its code: ten tries a minute', request: api.crewJoining, response: api.crewMembership },
  { method: 'get', path: '/api/crews/of/{id}', summary: 'The crew that an outing of yours is shared with; null for none', response: api.crewOfOuting },
  { method: 'get', path: '/api/crews/{id}', summary: 'The board of a crew that you are in', response: api.crewBoard },
  { method: 'get', path: '/api/crews/{id}/stream', summary: 'The board as server-sent events, whenever it changes' },
  { method: 'delete', path: '/api/crews/{id}/me', summary: 'Leave a crew', status: 204 },
  { method: 'delete', path: '/api/crews/{id}', summary: 'End a crew that you opened', status: 204 },
  { method: 'get', path: '/api/flasher/stream', summary: 'Pings of the flasher as server-sent events' },
  { method: 'post', path: '/api/flasher/line', summary: 'Depth and motion of the jig', request: api.lineSetting, status: 204 },
  { method: 'post', path: '/api/flasher/strike', summary: 'Strike' },
];

const content = (schema: z.ZodType, io: 'input' | 'output') => ({ 'application/json': { schema: z.toJSONSchema(schema, { io, unrepresentable: 'any' }) } });

/** OpenAPI 3.1 made from the schemas that check the requests. */
export function openApi(): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const { method, path, summary, request, response, status = 200 } of operations) {
    (paths[path] ??= {})[method] = {
      summary,
      ...(path.includes('{id}') ? { parameters: [{ name: 'id', in: 'path', required: true, schema: { type: 'string' } }] } : {}),
      ...(request ? { requestBody: { required: true, content: content(request, 'input') } } : {}),
      responses: {
        [status]: { description: 'Done', ...(response ? { content: content(response, 'output') } : {}) },
        default: { description: 'What was wrong', content: { 'application/problem+json': { schema: z.toJSONSchema(api.problem) } } },
      },
    };
  }
  return { openapi: '3.1.0', info: { title: 'Vivid Burrow', version: '0.31.0' }, paths };
}
