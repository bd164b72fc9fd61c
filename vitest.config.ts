import { defineConfig } from 'vitest/config';

export default defineConfig({ test: { include: ['resources/js/**/*.test.ts', 'resources/fonts/*.test.ts'] } });
