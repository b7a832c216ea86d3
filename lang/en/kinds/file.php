<?php

/* How the parts of a file are called in sentences: with their names, without, several of them, below something, and by their sort alone. */

return [
    'named' => ['file' => 'the file “:name”', 'line' => 'the line “:name”', 'file_page' => '“:name”'],
    'unnamed' => ['file' => 'the file', 'line' => 'an empty line', 'file_page' => 'a page'],
    'several' => ['file' => ':count files', 'line' => ':count lines', 'file_page' => ':count pages from “:name” on'],
    'inner' => ['file' => '{1} one file|[2,*] :count files', 'line' => '{1} one line|[2,*] :count lines', 'file_page' => '{1} one page|[2,*] :count pages'],
    'kinds' => ['file' => 'file', 'line' => 'line', 'file_page' => 'page'],
    'fields' => ['sha256' => 'checksum', 'encoding' => 'letters', 'mark' => 'byte order mark'],
];
