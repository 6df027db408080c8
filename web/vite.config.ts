import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { compression, defineAlgorithm } from "vite-plugin-compression2";

const server = "http://127.0.0.1:8420";

// The packages and modules that buyers' pages stand on, and those pages themselves.
const BOTH =
  /node_modules\/(react|react-dom|scheduler|@tanstack|openapi-fetch)\/|src\/(api\/(client|keys)|lib\/(money|useTyped|page)|ui\/(Button|Page|Choice|ShopText|InputField))\.tsx?$|vite\/preload-helper/;

const BUYERS = /src\/(features\/buyer\/|lib\/lastHand|ui\/FileDrop|api\/schema)/;

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    // Each script and style also as it is sent; the fonts are compressed as they are.
    compression({
      include: /\.(js|css)$/,
      threshold: 1000,
      algorithms: [defineAlgorithm("brotliCompress"), defineAlgorithm("gzip", { level: 9 })],
    }),
  ],
  build: {
    outDir: "../src/monedero/api/site",
    emptyOutDir: true,
    // Two entries: the owner's desk, and the pages that buyers see.
    rolldownOptions: {
      input: ["index.html", "buy.html"],
      // Few files: what desk and buyers share, and what most views of the desk share, are one each.
      output: {
        codeSplitting: {
          groups: [
            { name: "both", priority: 2, test: (id) => BOTH.test(id) },
            { name: "desk", priority: 1, minShareCount: 6, test: (id) => !BUYERS.test(id) },
          ],
        },
      },
    },
  },
  server: { proxy: { "/api": server, "/simulated-provider": server, "/return": server } },
});
