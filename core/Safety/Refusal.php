<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Safety;

/**
 * What a mark cannot be: when, at which field, in which words; or what has to stand out of its way first, at its step. The first that
 * holds is said. What only the server can judge says what a tablet says instead.
 */
final readonly class Refusal implements \JsonSerializable
{
    /** What has to be true before the step begins; before it is closed; of what must be true before it, what only a lead passes. */
    public const BEGIN = 'begin';
    public const CLOSE = 'close';
    public const LEAD = 'lead';
    /** What holds back a vehicle that is moved, at no step of its own. */
    public const MOVE = 'move';

    private function __construct(
        public string $field, private Term $when, private Term|string $text, private ?Term $each = null, public string $gate = '',
        private bool $atServer = false,
    ) {
    }

    public static function in(string $field, Term $when, Term|string $text): self
    {
        return new self($field, $when, $text);
    }

    /** Where its obstacles are not passed with the reason, or the lead, they need. */
    public static function unlessMay(string $gate): self
    {
        return new self('step', Term::always(), '', gate: $gate);
    }

    /** A tablet without the server does not make such a mark at all. The server has its own way to judge it. */
    public static function needsServer(string $said): self
    {
        return new self('type', Term::always(), $said, atServer: true);
    }

    /** For each of what the facts list; its parts are Term::it(0), Term::it(1) … */
    public function overEach(Term $list): self
    {
        return new self($this->field, $this->when, $this->text, $list, $this->gate, $this->atServer);
    }

    public function onlyWhen(Term $when): self
    {
        return new self($this->field, Term::all($when, $this->when), $this->text, $this->each, $this->gate, $this->atServer);
    }

    /** What is said against it; null where nothing is. What a gate holds back is not asked here. */
    public function said(Facts $facts): ?string
    {
        if ('' !== $this->gate || $this->atServer) {
            return null;
        }
        $each = null === $this->each ? [[]] : $this->each->of($facts);
        foreach (is_array($each) ? $each : [] as $it) {
            if ($this->when->of($facts, $it)) {
                $text = $this->text instanceof Term ? $this->text->of($facts, $it) : $this->text;

                return is_array($text) ? '' : (string) $text;
            }
        }

        return null;
    }

    /** @return array<string, mixed> as a tablet evaluates it */
    public function jsonSerialize(): array
    {
        return ['field' => $this->field, 'when' => $this->when, 'text' => $this->text]
            + (null === $this->each ? [] : ['each' => $this->each]) + ('' === $this->gate ? [] : ['gate' => $this->gate]);
    }
}
