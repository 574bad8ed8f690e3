import { reactRouter } from '@react-router/dev/vite'
import tailwindcss from '@tailwindcss/vite'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [tailwindcss(), reactRouter()],
  resolve: {
    tsconfigPaths: true,
    // Optional parts of the PDF library, for web pages turned into pictures: 100 kB that nothing needs.
    alias: Object.fromEntries(
      ['html2canvas', 'canvg', 'dompurify'].map((name) => [name, '/app/codecs/pdf/unused.ts']),
    ),
  },
  optimizeDeps: { entries: ['app/**/*.{ts,tsx}'] },
  worker: { format: 'es' },
  // Nothing inline: the content policy lets fonts come from files only.
  build: { assetsInlineLimit: 0 },
})
