/** Stands for parts of libraries that are never called (vite.config.ts). */
export default undefined;
