<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Architecture;

use PHPUnit\Framework\Attributes\CoversNothing;
use PHPUnit\Framework\TestCase;

/** A method is read in one look: at most 40 lines, 12 branches and eight arguments. */
#[CoversNothing]
final class MethodsTest extends TestCase
{
    private const LONGEST = 40;
    private const MOST_BRANCHES = 12;
    private const MOST_ARGUMENTS = 8;
    private const BRANCHES = [
        \T_IF, \T_ELSEIF, \T_FOR, \T_FOREACH, \T_WHILE, \T_CATCH, \T_BOOLEAN_AND, \T_BOOLEAN_OR, \T_COALESCE,
    ];

    public function testMethodsAreShort(): void
    {
        $seen = 0;
        $long = [];
        foreach (['core', 'src'] as $folder) {
            $all = new \RecursiveDirectoryIterator(dirname(__DIR__, 2).'/'.$folder, \FilesystemIterator::SKIP_DOTS);
            foreach (new \RecursiveIteratorIterator($all) as $file) {
                foreach ($file instanceof \SplFileInfo ? self::methods($file->getPathname()) : [] as $method) {
                    [$name, $lines, $branches, $arguments] = $method;
                    ++$seen;
                    if ($lines > self::LONGEST || $branches > self::MOST_BRANCHES || $arguments > self::MOST_ARGUMENTS) {
                        $long[] = sprintf('%s: %d lines, %d branches, %d arguments', $name, $lines, $branches, $arguments);
                    }
                }
            }
        }
        self::assertGreaterThan(1_000, $seen);
        self::assertSame([], $long);
    }

    /**
     * A row of a table is made whole, column by column, and a fact field by field: what they hold is the table's and the log's to say, so
     * their arguments are not counted.
     *
     * @return iterable<array{string, int, int, int}> name, lines, branches, arguments
     */
    private static function methods(string $path): iterable
    {
        $code = (string) file_get_contents($path);
        $isRow = str_contains($code, '#[ORM\\Entity]') || str_contains($code, 'implements Fact');
        $tokens = \PhpToken::tokenize($code);
        foreach ($tokens as $i => $token) {
            if ($token->is(\T_FUNCTION) && ($tokens[$i + 2] ?? $token)->is(\T_STRING)) {
                $rest = array_values(array_slice($tokens, $i));
                [$name, $lines, $branches, $arguments] = self::measured(
                    [] === $rest ? [$token] : $rest, basename($path, '.php').'::'.$tokens[$i + 2]->text,
                );
                yield [$name, $lines, $branches, $isRow ? 0 : $arguments];
            }
        }
    }

    /**
     * @param non-empty-list<\PhpToken> $tokens from “function” on
     *
     * @return array{string, int, int, int}
     */
    private static function measured(array $tokens, string $name): array
    {
        [$depth, $branches, $last, $round, $arguments] = [0, 0, $tokens[0]->line, 0, 0];
        foreach ($tokens as $token) {
            $round += 0 === $depth ? ['(' => 1, ')' => -1][$token->text] ?? 0 : 0;
            $arguments += 0 === $depth && 1 === $round && $token->is(\T_VARIABLE) ? 1 : 0;
            $last = $token->line + substr_count($token->text, "\n");
            $depth += '{' === $token->text || $token->is(\T_CURLY_OPEN) ? 1 : 0;
            $branches += $depth > 0 && ($token->is(self::BRANCHES) || '?' === $token->text) ? 1 : 0;
            if ('}' === $token->text && 0 === --$depth || ';' === $token->text && 0 === $depth) {
                break;
            }
        }

        return [$name, $last - $tokens[0]->line + 1, $branches, $arguments];
    }
}
