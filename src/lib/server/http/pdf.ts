/** A PDF to be shown or saved under a name. */
export function pdfAnswer(bytes: Uint8Array<ArrayBuffer>, name: string): Response {
	const plain = name
		.normalize('NFKD')
		.replace(/[^A-Za-z0-9]+/g, '-')
		.replace(/^-+|-+$/g, '')
		.toLowerCase();
	return new Response(bytes, {
		headers: {
			'content-type': 'application/pdf',
			'content-disposition': `inline; filename="${plain === '' ? 'page' : plain}.pdf"`,
			'cache-control': 'no-store'
		}
	});
}
