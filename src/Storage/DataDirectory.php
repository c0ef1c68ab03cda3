<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Storage;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\DependencyInjection\EnvVarProcessorInterface;

/**
 * The folder of the database: an absolute path as it is, any other below the project. The demo workshop has a folder of its own
 * inside it, so that nothing of the one is ever found in the other.
 */
final readonly class DataDirectory implements EnvVarProcessorInterface
{
    /** The folder in which the demo workshop is made, before it is put in its place. */
    public const MAKING = 'demo.new';

    public function __construct(#[Autowire(param: 'kernel.project_dir')] private string $projectDir)
    {
    }

    public function getEnv(string $prefix, string $name, \Closure $getEnv): string
    {
        $path = $getEnv($name);
        $own = self::own($path, $this->projectDir);
        $world = $getEnv('NK_WORLD');

        return is_string($world) && '' !== $world ? $own.'/'.$world : $own;
    }

    /** Of the real workshop, whichever this request is in. */
    public static function own(mixed $path, string $projectDir): string
    {
        $path = is_string($path) && '' !== $path ? $path : 'var/data';

        return str_starts_with($path, '/') ? rtrim($path, '/') : $projectDir.'/'.$path;
    }

    public static function getProvidedTypes(): array
    {
        return ['data_dir' => 'string'];
    }
}
