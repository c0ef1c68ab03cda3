<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

/** Every number that stands in a constant of the core: a table row is changed on purpose or not at all. */
final readonly class ConstantPins implements Pin
{
    public static function values(): iterable
    {
        $core = dirname(__DIR__, 3).'/core';
        $files = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($core, \FilesystemIterator::SKIP_DOTS)) as $file) {
            $files[] = $file instanceof \SplFileInfo ? substr($file->getPathname(), strlen($core) + 1, -4) : '';
        }
        sort($files);
        foreach ($files as $file) {
            $class = 'NimbleKnuckle\\Core\\'.str_replace('/', '\\', $file);
            foreach (class_exists($class) || enum_exists($class) ? (new \ReflectionClass($class))->getReflectionConstants() : [] as $one) {
                $value = $one->getValue();
                if (!$one->isEnumCase() && $one->getDeclaringClass()->getName() === $class && self::hasNumbers($value)) {
                    yield str_replace('/', '.', $file).'.'.$one->getName() => $value;
                }
            }
        }
    }

    private static function hasNumbers(mixed $value): bool
    {
        return is_int($value) || is_float($value) || is_array($value) && [] !== array_filter($value, self::hasNumbers(...));
    }
}
