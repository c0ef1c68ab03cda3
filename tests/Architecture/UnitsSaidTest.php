<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Architecture;

use PHPUnit\Framework\Attributes\CoversNothing;
use PHPUnit\Framework\TestCase;

/** A number that crosses a class of the core says its unit, by itself or for its whole class. */
#[CoversNothing]
final class UnitsSaidTest extends TestCase
{
    /** Units, and what stands for one: a share, a scale, the base unit of a kind. */
    private const UNIT = '~(?<![\p{L}])(?:mm[²³]?|N·m|N/mm|N|kN|kPa|MPa|GPa|°C?|litres?|m?L|k?g|k?W|ohms?|V|volts?|kV|m?A|Hz|rpm|px|m|km|K'
        .'|percent|%|shares?|ratio|times|of one|no unit|degrees|radians|s|ms|seconds?|minutes?|hours?|h|days?|kelvins?|[gm]/s|frame|drawn'
        .'|scale|base unit|units? of|in its unit|in the unit|a minute|per minute|chance|probability|weight|money|turns|Shore)(?![\p{L}])~u';

    public function testEveryNumberThatCrossesAClassSaysItsUnit(): void
    {
        [$silent, $seen] = [[], 0];
        foreach (self::classes() as $class) {
            $said = (string) $class->getDocComment();
            foreach (self::numbers($class) as $name => $words) {
                ++$seen;
                1 === preg_match(self::UNIT, $said.$words) || $silent[] = $class->getName().'::'.$name;
            }
        }
        self::assertGreaterThan(500, $seen);
        self::assertSame([], $silent);
    }

    /**
     * @param \ReflectionClass<object> $class
     *
     * @return iterable<string, string> public members that take or give a float => what is said of them
     */
    private static function numbers(\ReflectionClass $class): iterable
    {
        $isOwn = static fn (\ReflectionMethod|\ReflectionProperty $one): bool => $one->getDeclaringClass()->getName() === $class->getName();
        foreach (array_filter($class->getMethods(\ReflectionMethod::IS_PUBLIC), $isOwn) as $method) {
            $types = array_map(static fn (\ReflectionParameter $one): string => (string) $one->getType(), $method->getParameters());
            if (str_contains(implode(' ', [...$types, (string) $method->getReturnType()]), 'float')) {
                yield $method->getName().'()' => (string) $method->getDocComment();
            }
        }
        foreach (array_filter($class->getProperties(\ReflectionProperty::IS_PUBLIC), $isOwn) as $property) {
            if (str_contains((string) $property->getType(), 'float')) {
                yield '$'.$property->getName() => $property->getDocComment().$class->getConstructor()?->getDocComment();
            }
        }
    }

    /** @return iterable<\ReflectionClass<object>> */
    private static function classes(): iterable
    {
        $root = dirname(__DIR__, 2).'/core/';
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($root, \FilesystemIterator::SKIP_DOTS)) as $file) {
            $path = $file instanceof \SplFileInfo ? substr($file->getPathname(), strlen($root), -4) : '';
            $class = 'NimbleKnuckle\\Core\\'.strtr($path, '/', '\\');
            if (class_exists($class) || interface_exists($class)) {
                yield new \ReflectionClass($class);
            }
        }
    }
}
