<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Which law is in force: a mark says by which it was made. The same files are the same law, wherever and whenever they were put. */
final readonly class LawVersion
{
    public const ROOMS = ['core/Safety', 'core/Law', 'core/Bench/Gate', 'core/Bench/Law'];

    public function __construct(#[Autowire('%app.law%')] public string $id)
    {
    }

    /** By what is written in the files of the law. */
    public static function of(string $root): string
    {
        $hash = hash_init('xxh64');
        foreach (self::ROOMS as $room) {
            $files = glob(sprintf('%s/%s/{*,*/*}.php', $root, $room), \GLOB_BRACE) ?: [];
            foreach ($files as $file) {
                hash_update_file($hash, $file);
            }
        }

        return hash_final($hash);
    }
}
