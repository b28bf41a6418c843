import type { Answer as AnswerTo, Session } from '@katharos/contract';
import type { FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import type * as devicesModule from '@simplewebauthn/browser';
import type {
  PublicKeyCredentialCreationOptionsJSON,
  PublicKeyCredentialRequestOptionsJSON,
} from '@simplewebauthn/browser';
import { api, entered, newToWhoSignedIn } from '../data/api.ts';

type Devices = typeof devicesModule;
type Answer = Parameters<typeof entered>[0];
type Ask = (request: { url: string; method: 'POST' | 'PUT'; body?: object }) => Promise<Answer>;

/** Whether passkeys serve here: they want a safe line and an address that is a name. */
export const passkeysServe = (): boolean =>
  window.isSecureContext &&
  'PublicKeyCredential' in window &&
  !/^[\d.]+$|:/.test(window.location.hostname.replace(/^\[|\]$/g, ''));

/** What the device itself refused, said as the server says what it refuses. */
function refusalOf(error: unknown): FetchBaseQueryError {
  const isThere = error instanceof Error && error.name === 'InvalidStateError';
  const message = isThere
    ? 'This device holds a passkey of yours already.'
    : 'The device gave no passkey: it was not unlocked, has none for this address, or was put away. Try again, or use the password.';
  return { status: 403, data: { error: { code: 'passkey-refused', message } } };
}

/** Asks the server for its question, has the device answer it, and brings the answer back. */
async function answered(
  ask: Ask,
  { at, method }: { at: string; method: 'POST' | 'PUT' },
  answer: (devices: Devices, question: object) => Promise<object>,
): Promise<Answer> {
  const question = await ask({ url: `${at}/question`, method: 'POST' });
  if (question.error) return question;
  const body = await import('@simplewebauthn/browser')
    .then((devices) => answer(devices, question.data as AnswerTo<'POST /session/passkey/question'>))
    .then((given) => ({ given }))
    .catch((error: unknown) => ({ error: refusalOf(error) }));
  return 'error' in body ? body : ask({ url: at, method, body: body.given });
}

const signed = async (devices: Devices, question: object) => ({
  used: await devices.startAuthentication({
    optionsJSON: question as PublicKeyCredentialRequestOptionsJSON,
  }),
});

const passkeyApi = api.injectEndpoints({
  endpoints: (build) => ({
    signInByPasskey: build.mutation<Session, void>({
      queryFn: async (_nothing, _api, _options, ask) => {
        const to = { at: '/session/passkey', method: 'POST' } as const;
        return entered(await answered(ask as Ask, to, signed));
      },
      invalidatesTags: newToWhoSignedIn,
    }),
    proveByPasskey: build.mutation<null, void>({
      queryFn: async (_nothing, _api, _options, ask) => {
        const to = { at: '/session/proof/passkey', method: 'PUT' } as const;
        const { error } = await answered(ask as Ask, to, signed);
        return error ? { error } : { data: null };
      },
    }),
    passkeys: build.query<AnswerTo<'GET /session/passkeys'>['passkeys'], void>({
      query: () => '/session/passkeys',
      transformResponse: ({ passkeys }: AnswerTo<'GET /session/passkeys'>) => passkeys,
      keepUnusedDataFor: 0,
    }),
    makePasskey: build.mutation<null, string>({
      queryFn: async (name, _api, _options, ask) => {
        const to = { at: '/session/passkeys', method: 'POST' } as const;
        const made = async (devices: Devices, question: object) => ({
          name,
          made: await devices.startRegistration({
            optionsJSON: question as PublicKeyCredentialCreationOptionsJSON,
          }),
        });
        const { error } = await answered(ask as Ask, to, made);
        return error ? { error } : { data: null };
      },
    }),
    removePasskey: build.mutation<null, string>({
      query: (id) => ({ url: `/session/passkeys/${id}`, method: 'DELETE' }),
    }),
  }),
});

export const {
  useSignInByPasskeyMutation,
  useProveByPasskeyMutation,
  usePasskeysQuery,
  useMakePasskeyMutation,
  useRemovePasskeyMutation,
} = passkeyApi;
