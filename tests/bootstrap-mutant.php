<?php

declare(strict_types=1);

/* A changed file of the core is loaded before the one that stands in the tree: see mutate.php. */
require dirname(__DIR__).'/vendor/autoload.php';

$mutant = getenv('NK_MUTANT');
if (is_string($mutant) && '' !== $mutant) {
    require $mutant;
}
