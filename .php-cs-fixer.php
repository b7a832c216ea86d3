<?php

declare(strict_types=1);

return (new PhpCsFixer\Config)
    ->setParallelConfig(new PhpCsFixer\Runner\Parallel\ParallelConfig(2, 20))
    ->setRiskyAllowed(true)
    ->setRules([
        '@PSR12' => true,
        'concat_space' => true,
        'declare_strict_types' => false,
        'new_with_parentheses' => ['named_class' => false, 'anonymous_class' => false],
        'no_unused_imports' => true,
        'not_operator_with_successor_space' => true,
        'ordered_imports' => ['imports_order' => ['class', 'function', 'const']],
        'phpdoc_trim' => true,
        'single_quote' => true,
        'trailing_comma_in_multiline' => true,
        'single_line_empty_body' => true,
        'void_return' => true,
        'fully_qualified_strict_types' => ['import_symbols' => true],
    ])
    ->setFinder(PhpCsFixer\Finder::create()->in([__DIR__.'/app', __DIR__.'/core', __DIR__.'/demo', __DIR__.'/bench', __DIR__.'/tests', __DIR__.'/config', __DIR__.'/database', __DIR__.'/deploy', __DIR__.'/lang', __DIR__.'/routes'])->name('*.php'))
    ->setCacheFile(__DIR__.'/.php-cs-fixer.cache');
