import { createTheme, type MantineColorsTuple } from '@mantine/core';

const board: MantineColorsTuple = [
  '#E8F2F0',
  '#CFE3DF',
  '#A3C9C2',
  '#74ADA3',
  '#4E958A',
  '#357F74',
  '#286B61',
  '#1E5B53',
  '#184B44',
  '#103832',
];
const coral: MantineColorsTuple = [
  '#FCEDEA',
  '#F7D8D2',
  '#EEB0A5',
  '#E58776',
  '#DC6650',
  '#CF4B36',
  '#B83E2B',
  '#9C3222',
  '#7E281B',
  '#5E1D13',
];
const straw: MantineColorsTuple = [
  '#FBF4E3',
  '#F5E7C2',
  '#ECD28D',
  '#E3BC58',
  '#D9A22B',
  '#B98719',
  '#936A10',
  '#75540B',
  '#5B4108',
  '#423005',
];
const slate: MantineColorsTuple = [
  '#F1F4F4',
  '#E2E8E8',
  '#C9D2D3',
  '#A6B3B6',
  '#7F8F94',
  '#5F7076',
  '#4A5A60',
  '#37464B',
  '#263439',
  '#17262B',
];
const dark: MantineColorsTuple = [
  '#E6ECEA',
  '#C6D0CD',
  '#A3B0AD',
  '#71817E',
  '#45565A',
  '#33444A',
  '#25343A',
  '#1A272C',
  '#142024',
  '#0E181B',
];

/** All of the look's tokens; nothing else in the application names a colour of its own but a cord's. */
export const theme = createTheme({
  // Whoever asked their device for less motion gets none.
  respectReducedMotion: true,
  colors: { board, coral, straw, slate, dark },
  primaryColor: 'board',
  primaryShade: { light: 7, dark: 5 },
  black: '#17262B',
  fontFamily: "'Atkinson Hyperlegible Next Variable', sans-serif",
  fontFamilyMonospace: "'Spline Sans Mono Variable', monospace",
  headings: { fontWeight: '650' },
  defaultRadius: 6,
  cursorType: 'pointer',
  components: {
    Button: { defaultProps: { size: 'sm' } },
    Paper: { defaultProps: { withBorder: true, shadow: 'none' } },
  },
});
