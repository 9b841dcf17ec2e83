/** A page that tries all it can to run, to leave and to fetch; `out` is an address on another host. */
export const hostilePage = (out: string): string => `<!doctype html>
<html onclick="window.top.ran = 1"><head>
<meta http-equiv="refresh" content="0;url=${out}/refresh">
<meta http-equiv="Content-Security-Policy" content="style-src 'none'">
<link rel="stylesheet" href="${out}/sheet.css"><link rel="preload" as="image" href="${out}/preload.png"><link rel="preconnect" href="${out}">
<link rel="icon" href="${out}/icon.png"><link rel="prefetch" href="${out}/prefetch"><link rel="stylesheet" href="own.css">
<script>document.documentElement.dataset.ran = 'inline'; fetch('${out}/fetch'); parent.postMessage('ran', '*');</script>
<script src="${out}/script.js"></script><script src="own.js"></script><script type="module">document.documentElement.dataset.ran = 'module'</script>
<style>@import url(${out}/import.css); @font-face { font-family: F; src: url(${out}/font.woff2) } body { background: url(${out}/back.png); font-family: F; cursor: url(${out}/cursor.png), auto }</style>
</head><body onload="document.documentElement.dataset.ran = 'load'" background="${out}/body.png">
<noscript><p id="noscript">no scripts</p></noscript>
<a id="link" href="${out}/link">link</a> <a id="blank" target="_blank" href="${out}/blank">blank</a> <a id="download" download href="${out}/download">download</a>
<a id="script" href="javascript:document.documentElement.dataset.ran='href'">script</a> <a id="top" target="_top" href="/api/sites">top</a> <a id="ping" ping="${out}/ping" href="#x">ping</a>
<form id="form" action="${out}/form" method="post" target="_top"><input name="a" value="b" autofocus onfocus="document.documentElement.dataset.ran='focus'"><button id="send">send</button></form>
<button id="handler" onclick="document.documentElement.dataset.ran='handler'">handler</button>
<img src="${out}/image.png" onerror="document.documentElement.dataset.ran='error'"><img src="x" srcset="${out}/set.png 2x">
<iframe src="${out}/frame"></iframe><iframe src="${out}/frame2" src="${out}/frame3" srcdoc="<script>parent.document.documentElement.dataset.ran='srcdoc'</script>"></iframe>
<object data="${out}/object.svg"></object><embed src="${out}/embed.swf"><video src="${out}/film.mp4" poster="${out}/poster.png" autoplay muted></video><audio src="${out}/a.mp3" autoplay></audio>
<svg><script>document.documentElement.dataset.ran = 'svg'</script><image href="${out}/svg.png"/><use href="${out}/use.svg#a"/><a href="${out}/svglink"><text id="svglink" y="20">svg</text></a></svg>
<img src="own.svg"><p id="last">last</p><script>document.write('<p id=written></p>')</script>
</body></html>`;

export const hostileFiles = (out: string): Record<string, string> => ({
	'index.html': hostilePage(out),
	'based.html': `<base href="${out}/base/" target=_top><link rel=stylesheet href=x.css><img src=y.png><a id=link href=z.html>z</a><p id=last>last`,
	'own.css': `#last { color: rgb(1, 2, 3); background: url(${out}/own.png) } @import "${out}/late.css";`,
	'own.js': "document.documentElement.dataset.ran = 'own'",
	'own.svg': `<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>top.ran = 1</script><image href="${out}/inside.png"/></svg>`
});
