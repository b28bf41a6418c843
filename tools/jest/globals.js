export const { expect, test, it, describe, beforeAll, afterAll, beforeEach, afterEach, jest } =
  globalThis;
