import i18next from 'i18next';
import { initReactI18next } from 'react-i18next';
import en from '../messages/en';

i18next.use(initReactI18next).init({
  lng: 'en',
  fallbackLng: 'en',
  resources: { en: { translation: en } },
  keySeparator: false,
  nsSeparator: false,
  interpolation: { escapeValue: false },
});
