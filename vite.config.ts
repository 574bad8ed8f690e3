import { reactRouter } from '@react-router/dev/vite'
import tailwindcss from '@tailwindcss/vite'
import { defineConfig } from 'vite'

/** Icons, and parts of the interface but for those that bring a library along. */
const SMALL = /lucide-react|\/app\/ui\/(?!.*(sort|window-rows|use-space))/

export default defineConfig({
  plugins: [tailwindcss(), reactRouter()],
  resolve: {
    tsconfigPaths: true,
    alias: {
      // The build for browsers of today: what is there in all that run this app is not rebuilt in it.
      dexie: 'dexie/dist/modern/dexie.mjs',
      // Optional parts of the PDF library, for web pages turned into pictures: 100 kB that nothing needs.
      ...Object.fromEntries(
        ['html2canvas', 'canvg', 'dompurify'].map((name) => [name, '/app/codecs/pdf/unused.ts']),
      ),
    },
  },
  optimizeDeps: { entries: ['app/**/*.{ts,tsx}'] },
  worker: { format: 'es' },
  // Nothing inline: the content policy lets fonts come from files only.
  build: { assetsInlineLimit: 0 },
  environments: {
    client: {
      build: {
        rolldownOptions: {
          output: {
            // Icons and small parts come in one file: alone each would be a request that costs more than what is in it.
            codeSplitting: { groups: [{ name: 'small', test: SMALL, minShareCount: 3 }] },
          },
        },
      },
    },
  },
})
