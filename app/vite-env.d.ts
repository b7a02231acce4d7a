/// <reference types="vite/client" />
declare module '@fontsource-variable/*';
