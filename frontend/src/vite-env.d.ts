/// <reference types="vite/client" />
declare module "@fontsource-variable/source-serif-4";
declare module "@fontsource-variable/source-sans-3";
