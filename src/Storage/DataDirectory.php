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
    public function __construct(#[Autowire(param: 'kernel.project_dir')] private string $projectDir)
    {
    }

    public function getEnv(string $prefix, string $name, \Closure $getEnv): string
    {
        $path = $getEnv($name);
        $path = is_string($path) && '' !== $path ? $path : 'var/data';

        $own = str_starts_with($path, '/') ? rtrim($path, '/') : $this->projectDir.'/'.$path;
        $world = $getEnv('NK_WORLD');

        return is_string($world) && '' !== $world ? $own.'/'.$world : $own;
    }

    public static function getProvidedTypes(): array
    {
        return ['data_dir' => 'string'];
    }
}
