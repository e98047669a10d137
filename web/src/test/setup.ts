import { cleanup } from '@testing-library/react';
import { afterEach } from 'vitest';

// Files share one environment, so each test clears up what it showed and remembered.
afterEach(() => {
  cleanup();
  localStorage.clear();
});
