import { createTheme } from "@mui/material/styles";

/** colours of the bench: a table in daylight, with one deep plum for structure. */
export const colours = {
  paper: "#fbf7ef",
  leaf: "#fffdf8",
  plum: "#562744",
  plumDeep: "#421b34",
  ink: "#2b1a28",
  faded: "#6a5b63",
  line: "#e6dccb",
  marigold: "#c97a10",
  marigoldPale: "#f7ead2",
  sea: "#1f6f65",
  brick: "#a83427",
  brickPale: "#fbe9e5",
  amber: "#8a5a00",
};

const serif = '"Fraunces Variable", Georgia, serif';
const sans = '"Figtree Variable", system-ui, sans-serif';

export const theme = createTheme({
  palette: {
    primary: { main: colours.plum },
    secondary: { main: colours.marigold },
    success: { main: colours.sea },
    error: { main: colours.brick },
    warning: { main: colours.amber },
    background: { default: colours.paper, paper: colours.leaf },
    text: { primary: colours.ink, secondary: colours.faded },
    divider: colours.line,
  },
  typography: {
    fontFamily: sans,
    fontSize: 13.5,
    h1: { fontFamily: serif, fontSize: "1.55rem", fontWeight: 560, letterSpacing: "-0.01em" },
    h2: { fontFamily: serif, fontSize: "1.06rem", fontWeight: 560 },
    button: { textTransform: "none", fontWeight: 600 },
  },
  shape: { borderRadius: 9 },
  components: {
    MuiCssBaseline: { styleOverrides: { body: { fontSize: 14 } } },
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    // What is chosen is there at once, and what is closed takes no more keys.
    MuiMenu: { defaultProps: { transitionDuration: 0 } },
    MuiPopover: { defaultProps: { transitionDuration: 0 } },
    MuiDialog: { defaultProps: { transitionDuration: 0 } },
    MuiButton: { defaultProps: { disableElevation: true } },
    MuiToggleButton: {
      styleOverrides: {
        root: { color: colours.ink, borderColor: "#d9c9ae", "&.Mui-selected.Mui-selected": { color: "#fff", backgroundColor: colours.plum } },
      },
    },
    MuiPaper: { styleOverrides: { root: { backgroundImage: "none" } } },
    MuiTooltip: { defaultProps: { enterDelay: 400 } },
  },
});
