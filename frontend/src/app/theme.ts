// Paper, graphite, red chalk, a little verdigris: Ant Design's tokens in Zirkel's hand.
import { type ThemeConfig, theme } from "antd";

const light = {
  ground: "#efe7da",
  paper: "#fbf8f1",
  pad: "#f6f0e5",
  graphite: "#2b2926",
  pencil: "#5f584e",
  line: "#cdc1ad",
  chalk: "#a83a25",
  verdigris: "#2f6b57",
  edge: "#b9ab94",
  thin: "#766e62",
  shade: "#e6dccb",
  raised: "#fffdf8",
};

/** As in global.css, where it is said what goes dark. */
const dark: typeof light = {
  ground: "#24221f",
  paper: "#32302c",
  pad: "#2b2926",
  graphite: "#efe7da",
  pencil: "#b9b0a1",
  line: "#4a463f",
  chalk: "#ec8a73",
  verdigris: "#7fc2a8",
  edge: "#6b6459",
  thin: "#a69c8c",
  shade: "#3b3833",
  raised: "#3b3833",
};

const sans = '"Source Sans 3 Variable", system-ui, sans-serif';

/** The theme for a light room or a dim one; `still` where nothing is to move. */
export function themeFor(dim: boolean, still: boolean): ThemeConfig {
  const colour = dim ? dark : light;
  return {
    algorithm: dim ? theme.darkAlgorithm : theme.defaultAlgorithm,
    token: {
      fontFamily: sans,
      fontSize: 15,
      colorPrimary: colour.graphite,
      colorInfo: colour.graphite,
      colorLink: colour.graphite,
      colorLinkHover: colour.pencil,
      colorSuccess: colour.verdigris,
      colorError: colour.chalk,
      colorWarning: colour.chalk,
      colorBgBase: colour.paper,
      colorBgLayout: colour.ground,
      colorBgContainer: colour.paper,
      colorBgElevated: colour.paper,
      colorText: colour.graphite,
      colorTextSecondary: colour.pencil,
      colorTextPlaceholder: colour.thin,
      colorBorder: colour.edge,
      colorBorderSecondary: colour.line,
      borderRadius: 8,
      controlHeight: 44,
      controlHeightLG: 48,
      linkDecoration: "none",
      linkHoverDecoration: "none",
      linkFocusDecoration: "none",
      controlOutlineWidth: 3,
      motion: !still,
      motionDurationMid: "0.12s",
      motionDurationSlow: "0.16s",
      wireframe: false,
    },
    components: {
      Button: {
        primaryShadow: "none",
        primaryColor: colour.paper,
        defaultShadow: "none",
        fontWeight: 600,
        defaultBg: colour.paper,
        defaultHoverBg: colour.raised,
        defaultActiveBg: colour.shade,
        defaultHoverColor: colour.graphite,
        defaultHoverBorderColor: colour.graphite,
        borderColorDisabled: colour.line,
        paddingInlineLG: 18,
        contentFontSizeLG: 16,
      },
      // A finger's breadth, not a pointer's.
      Switch: { trackHeight: 28, trackMinWidth: 54, handleSize: 24 },
      Slider: { handleSize: 24, handleSizeHover: 26, controlSize: 30, railSize: 6 },
      Tooltip: { colorBgSpotlight: colour.graphite },
    },
  };
}
