<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Architecture;

/** Which file uses which, below core or src: read off imports, relative names, and bare names of the same folder. */
final readonly class Uses
{
    /** @param array<string, array<string, true>> $files file => the files it uses; paths below the root, without .php */
    private function __construct(public array $files)
    {
    }

    public static function below(string $root, string $namespace): self
    {
        $base = dirname(__DIR__, 2).'/'.$root.'/';
        $code = $folders = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($base, \FilesystemIterator::SKIP_DOTS)) as $file) {
            if ($file instanceof \SplFileInfo && 'php' === $file->getExtension()) {
                $path = substr($file->getPathname(), strlen($base), -strlen('.php'));
                $code[$path] = (string) preg_replace('~/\*.*?\*/|//[^\n]*~s', '', (string) file_get_contents($file->getPathname()));
                $folders[dirname($path)][basename($path)] = $path;
            }
        }
        $files = [];
        foreach ($code as $path => $text) {
            $named = self::names($text, $path, $namespace, $folders[dirname($path)]);
            $files[$path] = array_fill_keys(array_values(array_diff(array_intersect($named, array_keys($code)), [$path])), true);
        }

        return new self($files);
    }

    /** @return array<string, array<string, true>> folder => the other folders it uses */
    public function folders(): array
    {
        $folders = [];
        foreach ($this->files as $file => $used) {
            $folders[dirname($file)] ??= [];
            foreach (array_keys($used) as $other) {
                $folders[dirname($file)] += dirname($other) === dirname($file) ? [] : [dirname($other) => true];
            }
        }

        return $folders;
    }

    /**
     * @param array<string, array<string, true>> $uses
     *
     * @return list<list<string>> what reaches itself by way of another, each ring once, in order
     */
    public static function rings(array $uses): array
    {
        $reach = $rings = [];
        foreach (array_keys($uses) as $one) {
            $reach[$one] = self::reached($uses, $one);
        }
        foreach ($reach as $from => $all) {
            $ring = array_values(array_filter(array_keys($all), static fn (string $to): bool => isset($reach[$to][$from])));
            sort($ring);
            $rings += isset($all[$from]) ? [implode(' ', $ring) => $ring] : [];
        }
        ksort($rings);

        return array_values($rings);
    }

    /**
     * @param array<string, array<string, true>> $uses
     *
     * @return array<string, true>
     */
    private static function reached(array $uses, string $from): array
    {
        $reached = [];
        $next = array_keys($uses[$from] ?? []);
        while ([] !== $next) {
            $one = array_pop($next);
            if (!isset($reached[$one])) {
                $reached[$one] = true;
                array_push($next, ...array_keys($uses[$one] ?? []));
            }
        }

        return $reached;
    }

    /**
     * @param array<string, string> $beside name => file, of the same folder
     *
     * @return list<string>
     */
    private static function names(string $code, string $path, string $namespace, array $beside): array
    {
        preg_match_all('~^use '.preg_quote($namespace, '~').'([\w\\\\]+)~m', $code, $imports);
        $names = array_map(static fn (string $one): string => strtr($one, '\\', '/'), $imports[1]);
        $body = (string) preg_replace('~^use .*$|^namespace .*$|^ *case \w+|\'(?:\\\\.|[^\'\\\\])*\'~m', '', $code);
        preg_match_all('~(?<![\\\\\w$>:])([A-Z]\w*)((?:\\\\[A-Z]\w*)*)(?!\w*\()~', $body, $all, \PREG_SET_ORDER);
        preg_match_all('~\bnew ([A-Z]\w*)((?:\\\\[A-Z]\w*)*)~', $body, $made, \PREG_SET_ORDER);
        foreach ([...$all, ...$made] as [, $first, $rest]) {
            $known = array_filter('' === $rest ? [] : $names, static fn (string $one): bool => str_ends_with('/'.$one, '/'.$first));
            $room = [...array_values($known), dirname($path).'/'.$first][0];
            $names[] = '' === $rest ? $beside[$first] ?? '' : $room.strtr($rest, '\\', '/');
        }

        return array_values(array_unique($names));
    }
}
