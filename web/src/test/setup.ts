import { cleanup } from '@testing-library/react';
import { afterEach, vi } from 'vitest';

// What a page says of days depends on today; here it is the day of the scenario, whenever the tests run.
vi.setSystemTime(new Date('2026-12-01T12:00'));

// Fields that grow with their text measure it anew when a font has come; here none ever does.
if (!document.fonts) {
  Object.defineProperty(document, 'fonts', { value: new EventTarget() });
}

// Files share one environment, so each test clears up what it showed and remembered.
afterEach(() => {
  cleanup();
  localStorage.clear();
});
