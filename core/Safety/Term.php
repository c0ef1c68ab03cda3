<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Safety;

/**
 * What a rule says, as something that can be evaluated anywhere: a question to the facts, or a few of them joined. The same is written
 * as JSON, [what, word where it has one, with what …], and evaluated on a tablet by assets/js/terms.js. A number is in the unit of the
 * atom it is held against: minutes, °C, share, count.
 */
final readonly class Term implements \JsonSerializable
{
    private const ASK = 'ask';
    private const SAY = 'say';
    private const NAMES = 'names';
    private const IT = 'it';
    private const NOT = 'not';
    private const ALL = 'all';
    private const ANY = 'any';
    private const LESS = 'less';
    private const SAME = 'same';
    private const COUNT = 'count';
    private const UP = 'up';
    private const PLUS = 'plus';
    private const CAPITAL = 'capital';
    /** These have a word of their own: the name of an atom, the pattern of a sentence, what stands between names. */
    private const WORDED = [self::ASK, self::SAY, self::NAMES];

    /** @param list<self|bool|int|float|string> $with */
    private function __construct(private string $what, private array $with, private string $word = '')
    {
    }

    public static function ask(Atom $atom, string|int|self ...$of): self
    {
        return new self(self::ASK, array_values($of), $atom->value);
    }

    /** The n-th part of what is looked at one by one. */
    public static function it(int $n): self
    {
        return new self(self::IT, [$n]);
    }

    public static function not(self $one): self
    {
        return new self(self::NOT, [$one]);
    }

    public static function all(self ...$these): self
    {
        return 1 === count($these) ? array_values($these)[0] : new self(self::ALL, array_values($these));
    }

    public static function any(self ...$these): self
    {
        return 1 === count($these) ? array_values($these)[0] : new self(self::ANY, array_values($these));
    }

    public static function always(): self
    {
        return new self(self::ALL, []);
    }

    public static function less(self|int|float $a, self|int|float $b): self
    {
        return new self(self::LESS, [$a, $b]);
    }

    public static function same(self $a, self|bool|int|string $b): self
    {
        return new self(self::SAME, [$a, $b]);
    }

    /** A sentence: each %s is put in, in their order; %% is a per cent sign. */
    public static function say(string $words, self|string|int ...$with): self
    {
        return new self(self::SAY, array_values($with), $words);
    }

    /**
     * The names of those that are so, one after the other.
     *
     * @param array<string, self> $names name => when
     */
    public static function names(string $between, array $names): self
    {
        $with = [];
        foreach ($names as $name => $when) {
            array_push($with, $when, $name);
        }

        return new self(self::NAMES, $with, $between);
    }

    /** How many are so. */
    public static function count(self ...$these): self
    {
        return new self(self::COUNT, array_values($these));
    }

    /** The next whole number. */
    public static function up(self $one): self
    {
        return new self(self::UP, [$one]);
    }

    public static function plus(self|int|float $a, self|int|float $b): self
    {
        return new self(self::PLUS, [$a, $b]);
    }

    /** With a capital. */
    public static function capital(self $one): self
    {
        return new self(self::CAPITAL, [$one]);
    }

    /**
     * @param list<bool|int|float|string> $it what is looked at, where things are looked at one by one
     *
     * @return bool|int|float|string|list<list<bool|int|float|string>> a list only where the facts give one
     */
    public function of(Facts $facts, array $it = []): bool|int|float|string|array
    {
        return match ($this->what) {
            self::ASK => $facts->answer(Atom::from($this->word), array_map(
                static fn (bool|int|float|string $one): int|string => is_int($one) ? $one : (string) $one, $this->parts($facts, $it),
            )),
            self::IT => $it[(int) $this->part(0, $facts, $it)] ?? '',
            self::NOT => !$this->part(0, $facts, $it),
            self::ALL => $this->isEach(true, $facts, $it),
            self::ANY => !$this->isEach(false, $facts, $it),
            self::LESS => $this->part(0, $facts, $it) < $this->part(1, $facts, $it),
            self::SAME => $this->part(0, $facts, $it) === $this->part(1, $facts, $it),
            self::SAY => vsprintf($this->word, $this->parts($facts, $it)),
            self::NAMES => implode($this->word, $this->named($facts, $it)),
            self::PLUS => (float) $this->part(0, $facts, $it) + (float) $this->part(1, $facts, $it),
            self::CAPITAL => ucfirst((string) $this->part(0, $facts, $it)),
            self::COUNT => count(array_filter($this->parts($facts, $it))),
            default => (int) ceil((float) $this->part(0, $facts, $it)),
        };
    }

    /** @return list<mixed> */
    public function jsonSerialize(): array
    {
        return [$this->what, ...in_array($this->what, self::WORDED, true) ? [$this->word] : [], ...$this->with];
    }

    /** @param list<bool|int|float|string> $it */
    private function part(int $n, Facts $facts, array $it): bool|int|float|string
    {
        $part = $this->with[$n];
        $value = $part instanceof self ? $part->of($facts, $it) : $part;

        return is_array($value) ? throw new \LogicException('A list is looked at one by one.') : $value;
    }

    /**
     * @param list<bool|int|float|string> $it
     *
     * @return list<bool|int|float|string>
     */
    private function parts(Facts $facts, array $it): array
    {
        return array_map(fn (int $n): bool|int|float|string => $this->part($n, $facts, $it), array_keys($this->with));
    }

    /** @param list<bool|int|float|string> $it */
    private function isEach(bool $so, Facts $facts, array $it): bool
    {
        foreach (array_keys($this->with) as $n) {
            if ((bool) $this->part($n, $facts, $it) !== $so) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param list<bool|int|float|string> $it
     *
     * @return list<string>
     */
    private function named(Facts $facts, array $it): array
    {
        $named = [];
        for ($n = 0; $n + 1 < count($this->with); $n += 2) {
            if ($this->part($n, $facts, $it)) {
                $named[] = (string) $this->part($n + 1, $facts, $it);
            }
        }

        return $named;
    }
}
