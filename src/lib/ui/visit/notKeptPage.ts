const escaped = (text: string) => text.replace(/[&<>"]/g, (one) => `&#${one.charCodeAt(0)};`);

/** What the pages of a site are called, by the end of their address. */
const NAMES: readonly (readonly [RegExp, string])[] = [
	[/^\/$/, 'The jobs'],
	[/^\/sites\/[^/]+\/visit$/, 'Back into the visit'],
	[/^\/sites\/[^/]+$/, 'Where this site stands'],
	[/^\/sites\/[^/]+\/clocks$/, 'The clocks of this site']
];

/**
 * The page that is shown where one is asked for that this device has not kept, and there is no connection: it says so, leads back into the
 * visit, and tries again by itself. A document of its own, for nothing of the program may be at hand.
 * `path` is the address that was asked for, `kept` are those that are kept, `font` and `mark` are files of the program.
 */
export function notKeptPage(
	path: string,
	kept: readonly string[],
	{ font, mark }: { readonly font: string | undefined; readonly mark: string | undefined }
): string {
	const site = /^\/sites\/[^/]+/.exec(path)?.[0];
	const links = NAMES.flatMap(([address, name]) =>
		kept
			.filter((one) => address.test(one) && (one === '/' || (site !== undefined && one.startsWith(site))))
			.map((one) => `<li><a href="${escaped(one)}">${name}</a></li>`)
	);
	// the visit first, whatever else is there
	links.sort((a, b) => Number(b.includes('/visit"')) - Number(a.includes('/visit"')));
	return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>No connection · Fond Quarter</title>
${mark ? `<link rel="icon" href="${mark}">` : ''}
<style>
${font ? `@font-face{font-family:"Atkinson Hyperlegible Next";src:url("${font}") format("woff2")}` : ''}
:root{color-scheme:light dark;--ground:light-dark(#f4f2ec,#191b1d);--ink:light-dark(#1c1f22,#e9e6df);--soft:light-dark(#565b60,#a9aca9)}
body{margin:0;background:var(--ground);color:var(--ink);font:1.1rem/1.5 "Atkinson Hyperlegible Next",system-ui,sans-serif}
main{max-width:34rem;margin:0 auto;padding:2.5rem 1.1rem}
h1{margin:0 0 .6rem;font-size:1.6rem;line-height:1.25}
p{margin:0 0 1rem}ul{margin:1.5rem 0;padding:0;list-style:none;display:grid;gap:.6rem}
a,button{display:flex;align-items:center;width:100%;min-height:56px;box-sizing:border-box;padding:0 1.1rem;border:1px solid var(--soft);border-radius:4px;background:none;color:inherit;font:inherit;text-decoration:none;cursor:pointer}
li:first-child a{background:var(--ink);color:var(--ground);border-color:var(--ink);font-weight:700}
.soft{margin-top:.6rem;color:var(--soft)}
</style>
</head>
<body><main>
<h1>No connection, and this page is not kept on this device</h1>
<p>What you have noted is kept here and sent when the connection is back.</p>
${links.length > 0 ? `<ul>${links.join('')}</ul>` : ''}
<form><button>Try again</button></form>
<p class="soft">It is tried again by itself every ten seconds.</p>
</main>
<script>setTimeout(()=>location.reload(),10000);addEventListener('online',()=>location.reload());document.forms[0].addEventListener('submit',(event)=>{event.preventDefault();location.reload()})</script>
</body></html>`;
}
