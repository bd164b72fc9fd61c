document.title = 'Row Tally';
