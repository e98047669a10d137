import { cleanup } from '@testing-library/react';
import { afterEach } from 'vitest';

// Fields that grow with their text measure it anew when a font has come; here none ever does.
if (!document.fonts) {
  Object.defineProperty(document, 'fonts', { value: new EventTarget() });
}

// Files share one environment, so each test clears up what it showed and remembered.
afterEach(() => {
  cleanup();
  localStorage.clear();
});
