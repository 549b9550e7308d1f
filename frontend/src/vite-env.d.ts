/// <reference types="vite/client" />
declare module "@fontsource/source-serif-4/*";
declare module "@fontsource-variable/source-sans-3";
