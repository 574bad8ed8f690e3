// Stands in for optional parts of the PDF library that read web pages: sheets need none of them.
export default undefined
