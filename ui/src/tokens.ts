import { type ThemeConfig, theme } from "antd";

// The one place for colour, type and shape. The drawings read the same names
// as CSS variables; Ant Design gets them as its tokens.

export type Scheme = "light" | "dark";

const palettes = {
  light: {
    linen: "#f5eee2",
    paper: "#fffaf0",
    raised: "#fdf6e8",
    line: "#dccfb6",
    ink: "#26231e",
    muted: "#655c4e",
    bark: "#6b4a2f",
    acorn: "#c07a3a",
    acornInk: "#8a4f1c",
    moss: "#55723a",
    mossInk: "#3f5a29",
    lichen: "#e6edd2",
    rosehip: "#a32f36",
    rosehipSoft: "#f8e1dc",
    amberSoft: "#f9e8cf",
    ghost: "#ece0ca",
    shaft: "#b09a7c",
    handsWait: "#3f5c2b",
    handsNow: "#d69c56",
    handsAbout: "#8c3b23",
    handsOther: "#5f7690",
    handsRod: "#a88f6f",
    handsWorks: "#82654a",
    handsSkin: "#f3d6c2",
    pullSlack: "#5f8fa3",
    pullSits: "#7d9a5c",
    pullSnug: "#c99a3f",
    pullTight: "#a32f36",
  },
  dark: {
    linen: "#1d1a16",
    paper: "#28231b",
    raised: "#2f2920",
    line: "#4a4134",
    ink: "#efe6d6",
    muted: "#b9ad97",
    bark: "#d8b083",
    acorn: "#d8924c",
    acornInk: "#eeb074",
    moss: "#94b367",
    mossInk: "#b5d18b",
    lichen: "#333d22",
    rosehip: "#f0908b",
    rosehipSoft: "#4a2524",
    amberSoft: "#46341b",
    ghost: "#2c271f",
    shaft: "#8d7a60",
    handsWait: "#a9c782",
    handsNow: "#9a5023",
    handsAbout: "#e08a6c",
    handsOther: "#8fa9c4",
    handsRod: "#8d7a60",
    handsWorks: "#b49a78",
    handsSkin: "#7d5f4c",
    pullSlack: "#86b7ca",
    pullSits: "#a3bf7f",
    pullSnug: "#e0b45c",
    pullTight: "#f0908b",
  },
} as const;

const fonts = {
  heading: '"Bricolage Grotesque", "Atkinson Hyperlegible", sans-serif',
  text: '"Atkinson Hyperlegible", sans-serif',
};

/** applyTokens hands the palette to the style sheet. */
export function applyTokens(scheme: Scheme): void {
  const root = document.documentElement;
  root.dataset.scheme = scheme;
  root.style.colorScheme = scheme;
  for (const [name, value] of Object.entries(palettes[scheme])) {
    root.style.setProperty(`--${name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}`, value);
  }
  root.style.setProperty("--font-heading", fonts.heading);
  root.style.setProperty("--font-text", fonts.text);
}

/** antTheme is the same palette as Ant Design's tokens. */
export function antTheme(scheme: Scheme): ThemeConfig {
  const p = palettes[scheme];
  return {
    algorithm: scheme === "dark" ? theme.darkAlgorithm : theme.defaultAlgorithm,
    token: {
      colorPrimary: scheme === "dark" ? "#6d8c46" : p.moss,
      colorInfo: p.moss,
      colorSuccess: p.moss,
      colorWarning: p.acorn,
      colorError: p.rosehip,
      colorLink: p.mossInk,
      colorTextBase: p.ink,
      colorBgBase: p.linen,
      colorBgContainer: p.paper,
      colorBgElevated: p.raised,
      colorBorder: p.line,
      colorTextDescription: p.muted,
      colorTextPlaceholder: p.muted,
      fontFamily: fonts.text,
      fontSize: 15,
      borderRadius: 10,
      controlHeight: 38,
      // A row that fills in explains something; a control that slides does not. And a button whose
      // wait was shorter than its animation went on saying "loading".
      motion: false,
    },
    components: {
      Button: {
        primaryShadow: "none",
        defaultShadow: "none",
        fontWeight: 600,
        defaultHoverColor: p.mossInk,
        defaultHoverBorderColor: p.moss,
      },
      Segmented: { itemSelectedBg: p.bark, itemSelectedColor: p.linen, trackBg: p.paper },
    },
  };
}
