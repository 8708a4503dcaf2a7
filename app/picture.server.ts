/** An SVG picture of somebody's sheet: on a shared machine nothing of it stays behind. */
export const svgAnswer = (svg: string): Response =>
  new Response(svg, {
    headers: {
      'Content-Type': 'image/svg+xml',
      'Cache-Control': 'private, no-store',
      // Opened by itself, a picture must not run anything.
      'Content-Security-Policy': "default-src 'none'; img-src data:; style-src 'unsafe-inline'",
    },
  });
