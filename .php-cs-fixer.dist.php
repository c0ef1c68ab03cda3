<?php

declare(strict_types=1);

$finder = (new PhpCsFixer\Finder())->in([__DIR__.'/core', __DIR__.'/src', __DIR__.'/tests', __DIR__.'/migrations', __DIR__.'/config', __DIR__.'/public'])->append([__DIR__.'/bin/router.php', __DIR__.'/bin/console'])->exclude('build')->notName('reference.php');

// By the contents of each file, so that another clone of the same need not look at them again.
$home = getenv('XDG_CACHE_HOME') ?: (getenv('HOME') ?: '').'/.cache';
$cache = is_writable(dirname($home)) ? $home.'/nimble-knuckle' : __DIR__.'/var';
is_dir($cache) || mkdir($cache, 0o755, true);

return (new PhpCsFixer\Config())
    ->setRiskyAllowed(true)
    ->setRules([
        '@Symfony' => true,
        '@Symfony:risky' => true,
        'declare_strict_types' => true,
        'native_function_invocation' => false,
        'phpdoc_align' => ['align' => 'left'],
        'phpdoc_to_comment' => false,
        'single_line_throw' => false,
        'php_unit_method_casing' => false,
    ])
    ->setFinder($finder)
    ->setCacheFile($cache.'/php-cs-fixer.cache');
