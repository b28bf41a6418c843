import { fault } from '@katharos/job';
import { z } from 'zod';
import { credentialsSchema } from './session.ts';
import { roles } from './roles.ts';

/** The people of a firm, and how they come and go. */
export const personSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  email: z.string(),
  role: z.enum(roles),
});
export type Person = z.infer<typeof personSchema>;

export const invitationSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  role: z.enum(roles),
  expiresAt: z.iso.datetime(),
});
export const peopleSchema = z.object({
  people: z.array(personSchema),
  /** Those that nobody has taken yet. */
  invitations: z.array(invitationSchema),
});

export const inviteSchema = z.strictObject({
  name: z.string().trim().min(1, fault('person-missing')).max(120),
  role: z.enum(roles),
});
/** The link of an invitation, told once. */
export const invitedSchema = z.object({ path: z.string() });
export const changePersonSchema = z.strictObject({ role: z.enum(roles) });

/** A new password: long, and none of those that everybody uses. */
export const newPassword = z.string().min(12, fault('password-short')).max(200);

/** What stands behind a link of an invitation. */
export const invitationFaceSchema = z.object({
  firm: z.string(),
  name: z.string(),
  role: z.enum(roles),
});
export const joinSchema = z.strictObject({
  name: inviteSchema.shape.name,
  email: credentialsSchema.shape.email,
  password: newPassword,
});
export const changePasswordSchema = z.strictObject({
  current: credentialsSchema.shape.password,
  next: newPassword,
});

/** A new password behind the link that was mailed, or handed over by the owner. */
export const resetSchema = z.strictObject({ password: newPassword });

/** Where somebody is signed in. */
export const openSessionSchema = z.object({
  id: z.uuid(),
  device: z.string(),
  openedAt: z.iso.datetime(),
  seenAt: z.iso.datetime(),
  /** The one that asks. */
  own: z.boolean(),
});
export const openSessionsSchema = z.object({ sessions: z.array(openSessionSchema) });
