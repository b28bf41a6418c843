import { dateOf, dayOf } from '@katharos/core';
import { diaryCalendar } from '@katharos/papers';
import { readerOf } from '@katharos/words';
import { Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { Sequelize } from 'sequelize';
import { recorded } from '../audit/auditRepository.ts';
import { isToken } from '../sealing/token.ts';
import { doerOf } from '../session/doer.ts';
import { ApiError } from '../http/apiError.ts';
import type { PaperMill } from '../papers/paperMill.ts';
import { sessionOf } from '../session/requireSession.ts';
import { diaryOf, reckonDues } from './diaryRepository.ts';
import { endFeed, feedOf, findFeed, makeFeed } from './feedRepository.ts';

const daysAhead = 365;
/** A calendar looks a few times an hour; who guesses addresses looks more often. */
const looksPerHour = 120;

/** A person's own feed: whether there is one, making it anew, ending it. */
export function ownFeedRoutes(sequelize: Sequelize): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    const { firm, user } = sessionOf(response);
    const madeAt = await feedOf(firm.id, user.id);
    response.json({ madeAt: madeAt?.toISOString() ?? null });
  });
  router.post('/', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const about = { kind: 'person', id: user.id, name: user.name } as const;
    const token = await recorded(
      sequelize,
      doerOf(request, response),
      { code: 'calendar-made', ...about },
      (transaction) => makeFeed(firm.id, user.id, new Date(), transaction),
    );
    response.status(201).json({ path: `/feeds/${token}.ics` });
  });
  router.delete('/', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const about = { kind: 'person', id: user.id, name: user.name } as const;
    await recorded(
      sequelize,
      doerOf(request, response),
      { code: 'calendar-ended', ...about },
      (transaction) => endFeed(firm.id, user.id, transaction),
    );
    response.status(204).end();
  });
  return router;
}

/** The diary as a calendar under a secret address, without signing in: for the calendars that people have already. */
export function feedRoutes(sequelize: Sequelize, mill: PaperMill): Router {
  const router = Router();
  const limit = rateLimit({
    windowMs: 3600e3,
    limit: looksPerHour,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: () => {
      throw new ApiError('too-many-tries');
    },
  });
  router.get('/:token.ics', limit, async (request, response) => {
    const { token } = request.params;
    const feed = isToken(String(token)) ? await findFeed(String(token)) : undefined;
    if (!feed) throw new ApiError('not-found');
    const { firm, userId } = feed;
    const now = Date.now();
    const today = dateOf(Math.floor(now / 86400e3));
    const asked = { firmId: firm.id, settings: firm.settings, today };
    await reckonDues(sequelize, mill, asked, userId);
    const { rows } = await diaryOf(sequelize, firm.id, dateOf(dayOf(today)! + daysAhead));
    response
      .type('text/calendar; charset=utf-8')
      .setHeader('Cache-Control', 'private, max-age=900')
      .send(diaryCalendar(firm.name, rows, readerOf(firm.settings), { now, today }));
  });
  return router;
}
