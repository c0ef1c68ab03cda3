<?php

declare(strict_types=1);

/* Writes the pinned answers of the sums anew. Read the difference before you commit it. */
require dirname(__DIR__).'/vendor/autoload.php';

use NimbleKnuckle\Tests\Core\Sum\Pinned;

is_dir(dirname(Pinned::file('x'))) || mkdir(dirname(Pinned::file('x')));
foreach (Pinned::sums() as $sum) {
    $lines = array_map(static fn (array $inputs): string => json_encode(
        ['inputs' => $inputs, 'answer' => Pinned::answer($sum, $inputs)],
        \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION | \JSON_THROW_ON_ERROR,
    ), Pinned::inputs($sum));
    file_put_contents(Pinned::file($sum), "[\n".implode(",\n", $lines)."\n]\n");
}
