import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { hearTime, serverNow } from './serverClock.ts';

const noon = Date.parse('2026-03-01T12:00:00Z');
const answered = (serverAt: number) =>
  new Response('', { headers: { date: new Date(serverAt).toUTCString() } });

beforeEach(() => {
  jest.useFakeTimers();
  jest.setSystemTime(noon);
});
afterEach(() => {
  hearTime(answered(Date.now()), Date.now());
  jest.useRealTimers();
});

test('a clock that is five minutes ahead is put right by the first answer, and goes on from there', () => {
  hearTime(answered(noon - 300_000), noon - 100);
  expect(Math.abs(serverNow() - (noon - 300_000))).toBeLessThan(1000);
  jest.advanceTimersByTime(60_000);
  expect(Math.abs(serverNow() - (noon - 240_000))).toBeLessThan(1000);
});

test('what whole seconds and the way of an answer make is no difference', () => {
  hearTime(answered(noon - 900), noon - 400);
  expect(serverNow()).toBe(noon);
});

test('an answer that took long, or none with a time, says nothing', () => {
  hearTime(answered(noon - 300_000), noon - 20_000);
  hearTime(new Response(''), noon);
  expect(serverNow()).toBe(noon);
});

test('a clock that was put right meanwhile is heard of', () => {
  hearTime(answered(noon - 300_000), noon);
  jest.setSystemTime(noon - 300_000);
  hearTime(answered(noon - 300_000), noon - 300_000);
  expect(serverNow()).toBe(noon - 300_000);
});
