<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Safety;

/**
 * A rule, worked out for one step: when it stands in the way, how hard, in which words, and where it is mended. One row may look at
 * several things that the facts list, each by itself. What only the server can know says what a tablet says instead.
 */
final readonly class Row implements \JsonSerializable
{
    private function __construct(
        public string $code,
        public Bar $bar,
        public Term $when,
        public Term|string $text,
        public Term|string $step,
        public ?Term $each = null,
        public string $askServer = '',
    ) {
    }

    public static function noted(string $code, Term $when, Term|string $text, Term|string $step): self
    {
        return new self($code, Bar::Note, $when, $text, $step);
    }

    public static function reason(string $code, Term $when, Term|string $text, Term|string $step): self
    {
        return new self($code, Bar::Reason, $when, $text, $step);
    }

    public static function lead(string $code, Term $when, Term|string $text, Term|string $step): self
    {
        return new self($code, Bar::Lead, $when, $text, $step);
    }

    public static function never(string $code, Term $when, Term|string $text, Term|string $step): self
    {
        return new self($code, Bar::Never, $when, $text, $step);
    }

    /** For each of what the facts list; its parts are Term::it(0), Term::it(1) … */
    public function overEach(Term $list): self
    {
        return new self($this->code, $this->bar, $this->when, $this->text, $this->step, $list, $this->askServer);
    }

    /** The server's alone: a tablet without it lets nobody past, and says this. */
    public function atServer(string $said): self
    {
        return new self($this->code, $this->bar, $this->when, $this->text, $this->step, $this->each, $said);
    }

    /** @return iterable<Obstacle> */
    public function of(Facts $facts): iterable
    {
        $each = null === $this->each ? [[]] : $this->each->of($facts);
        foreach (is_array($each) ? $each : [] as $it) {
            if ($this->when->of($facts, $it)) {
                yield new Obstacle(
                    $this->code, self::told($this->text, $facts, $it), $this->bar, self::told($this->step, $facts, $it),
                    json_encode(null === $this->each ? $this->when : $it, \JSON_THROW_ON_ERROR),
                );
            }
        }
    }

    /** @return array<string, mixed> as a tablet evaluates it */
    public function jsonSerialize(): array
    {
        return '' !== $this->askServer ? [
            'code' => $this->code, 'bar' => Bar::Never->value, 'when' => Term::always(), 'text' => $this->askServer, 'step' => $this->step,
            'by' => 'server',
        ] : [
            'code' => $this->code, 'bar' => $this->bar->value, 'when' => $this->when, 'text' => $this->text, 'step' => $this->step,
            'by' => 'tablet',
        ] + (null === $this->each ? [] : ['each' => $this->each]);
    }

    /** @param list<bool|int|float|string> $it */
    private static function told(Term|string $said, Facts $facts, array $it): string
    {
        $words = $said instanceof Term ? $said->of($facts, $it) : $said;

        return is_array($words) ? '' : (string) $words;
    }
}
