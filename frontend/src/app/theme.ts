// Paper, graphite, red chalk, a little verdigris: Ant Design's tokens in Zirkel's hand.
import type { ThemeConfig } from "antd";

export const colour = {
  ground: "#efe7da",
  paper: "#fbf8f1",
  pad: "#f6f0e5",
  graphite: "#2b2926",
  pencil: "#5f584e",
  line: "#cdc1ad",
  chalk: "#a83a25",
  verdigris: "#2f6b57",
} as const;

const sans = '"Source Sans 3 Variable", system-ui, sans-serif';

export const theme: ThemeConfig = {
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
    colorTextPlaceholder: "#766e62",
    colorBorder: "#b9ab94",
    colorBorderSecondary: colour.line,
    borderRadius: 8,
    controlHeight: 44,
    controlHeightLG: 48,
    linkDecoration: "none",
    linkHoverDecoration: "none",
    linkFocusDecoration: "none",
    controlOutlineWidth: 3,
    motionDurationMid: "0.12s",
    motionDurationSlow: "0.16s",
    wireframe: false,
  },
  components: {
    Button: {
      primaryShadow: "none",
      defaultShadow: "none",
      fontWeight: 600,
      defaultBg: colour.paper,
      defaultHoverBg: "#fffdf8",
      defaultActiveBg: "#e6dccb",
      defaultHoverColor: colour.graphite,
      defaultHoverBorderColor: colour.graphite,
      borderColorDisabled: colour.line,
      paddingInlineLG: 18,
      contentFontSizeLG: 16,
    },
    Segmented: {
      itemSelectedColor: colour.graphite,
      controlPaddingHorizontal: 8,
      trackBg: "#e6dccb",
      itemSelectedBg: colour.paper,
      itemColor: colour.pencil,
      itemHoverBg: "#efe7da",
    },
    Modal: { contentBg: colour.paper, headerBg: colour.paper },
    Tooltip: { colorBgSpotlight: colour.graphite },
  },
};
