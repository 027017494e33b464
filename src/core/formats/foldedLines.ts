/** The text with its lines folded at 75 octets (RFC 5545 §3.1), which counts a degree sign as two. */
export function folded(text: string): string {
	const encoder = new TextEncoder();
	const lines = text.replace(/\r\n[ \t]/g, '').split('\r\n');
	const fold = (line: string) => {
		let result = '';
		let octets = 0;
		for (const letter of line) {
			const size = encoder.encode(letter).length;
			if (octets + size > 75) {
				result += '\r\n ';
				octets = 1;
			}
			result += letter;
			octets += size;
		}
		return result;
	};
	return `${lines.map(fold).join('\r\n')}\r\n`;
}
