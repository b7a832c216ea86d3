"""What python-docx, odfpy or openpyxl read in a file, as JSON: a list of ["p", style, text] and ["table", rows of texts]; of a workbook, its cells by place. Called by OfficeFilesTest and WorkbookTest."""
import json
import sys


def of_docx(path):
    import docx
    from docx.table import Table
    from docx.text.paragraph import Paragraph

    document = docx.Document(path)
    told = []
    for element in document.element.body.iterchildren():
        if element.tag.endswith('}p'):
            paragraph = Paragraph(element, document)
            told.append(['p', paragraph.style.name, paragraph.text])
        elif element.tag.endswith('}tbl'):
            table = Table(element, document)
            told.append(['table', [[cell.text for cell in row.cells] for row in table.rows]])
    return told


def of_odt(path):
    from odf import teletype
    from odf.opendocument import load

    told = []

    def walk(node, depth):
        for child in node.childNodes:
            name = getattr(child, 'qname', (None, ''))[1]
            if name == 'h':
                told.append(['p', 'heading %s' % child.getAttribute('outlinelevel'), teletype.extractText(child)])
            elif name == 'p':
                told.append(['p', 'item' if depth else '', teletype.extractText(child)])
            elif name == 'table':
                rows = [row for row in child.getElementsByType(__import__('odf.table', fromlist=['TableRow']).TableRow)]
                cells = __import__('odf.table', fromlist=['TableCell']).TableCell
                told.append(['table', [[teletype.extractText(cell) for cell in row.getElementsByType(cells)] for row in rows]])
            elif name in ('list', 'list-item'):
                walk(child, depth + 1)

    walk(load(path).text, 0)
    return told


def of_xlsx(path):
    import openpyxl

    cells = {}
    for sheet in openpyxl.load_workbook(path).worksheets:
        for row in sheet.iter_rows():
            for cell in row:
                if cell.value is not None:
                    told = cell.value.isoformat().replace('T00:00:00', '') if hasattr(cell.value, 'isoformat') else cell.value
                    cells['%s!%s' % (sheet.title, cell.coordinate)] = told
    return cells


print(json.dumps({'docx': of_docx, 'odt': of_odt, 'xlsx': of_xlsx}[sys.argv[1].rsplit('.', 1)[1]](sys.argv[1])))
