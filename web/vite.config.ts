import vue from '@vitejs/plugin-vue';
import { AntDesignVueResolver } from 'unplugin-vue-components/resolvers';
import Components from 'unplugin-vue-components/vite';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
  plugins: [
    vue(),
    Components({ dirs: [], dts: false, resolvers: [AntDesignVueResolver({ importStyle: false })] }),
    // From the second visit on the application opens without a network. A new version waits until all its windows are closed, so
    // that none of them misses a file of its own.
    VitePWA({
      injectRegister: false,
      manifest: {
        name: 'Parvix',
        short_name: 'Parvix',
        description: 'Dynamic demonstrations for mathematics',
        start_url: '/shelf',
        display: 'standalone',
        background_color: '#fffefa',
        theme_color: '#14283a',
        icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2,wasm}'],
        globIgnores: ['placeholder.html'],
        maximumFileSizeToCacheInBytes: 32 << 20,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        runtimeCaching: [
          {
            // What was seen last is there when the server is not; the server's word comes first.
            urlPattern: ({ url, request }) =>
              request.method === 'GET' && /^\/api\/(session|demonstrations(\/[^/]+)?)$/.test(url.pathname),
            handler: 'NetworkFirst',
            options: { cacheName: 'parvix-answers', expiration: { maxEntries: 60 } },
          },
        ],
      },
    }),
  ],
  // The strict Content-Security-Policy takes fonts and scripts from files only.
  build: { assetsInlineLimit: 0, chunkSizeWarningLimit: 1200 },
  worker: { format: 'es' },
});
