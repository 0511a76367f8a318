"""Open formats out of Runk: sheets to print, tables for a spreadsheet."""
