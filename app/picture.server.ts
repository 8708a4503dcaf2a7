/** An SVG picture. An address that names the state it shows (seq or go) may be kept for good. */
export function svgAnswer(request: Request, svg: string): Response {
  const { searchParams } = new URL(request.url);
  const lasting = searchParams.has('seq') || searchParams.has('go');
  return new Response(svg, {
    headers: {
      'Content-Type': 'image/svg+xml',
      'Cache-Control': lasting ? 'private, max-age=31536000, immutable' : 'private, no-cache',
      // Opened by itself, a picture must not run anything.
      'Content-Security-Policy': "default-src 'none'; img-src data:; style-src 'unsafe-inline'",
    },
  });
}
