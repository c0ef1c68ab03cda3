<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Causes;

use NimbleKnuckle\Core\Quantity\InvalidQuantity;

/** What was found while a cause was looked for: the answer of each check that was made, and what was read where one measures. */
final readonly class CheckFindings
{
    /**
     * @param array<string, string> $answers check => answer, or “skip”
     * @param array<string, string> $read check => as it was written
     */
    private function __construct(public array $answers, public array $read)
    {
    }

    /**
     * What the table does not know is left out; what was read says which answer it is.
     *
     * @param array<array-key, mixed> $answers check => answer
     * @param array<array-key, mixed> $read check => text
     */
    public static function in(CauseTable $table, array $answers, array $read): self
    {
        $known = $texts = [];
        foreach ($answers as $id => $answer) {
            $check = $table->checks[$id] ?? null;
            if (null === $check || !is_string($answer) || (Ranking::SKIPPED !== $answer && null === $check->place($answer))) {
                continue;
            }
            $known[$check->id] = $answer;
            $text = $read[$id] ?? '';
            if (null !== $check->scale && is_string($text) && '' !== trim($text) && Ranking::SKIPPED !== $answer) {
                try {
                    $known[$check->id] = $check->scale->answer($check->scale->value($text));
                    $texts[$check->id] = trim($text);
                } catch (InvalidQuantity) {
                    // The answer that was chosen stands; what cannot be read was refused where it was typed.
                }
            }
        }

        return new self($known, $texts);
    }

    /** As it is said: what was read with its unit, or the answer in words. */
    public function said(CauseCheck $check): string
    {
        $read = $this->read[$check->id] ?? '';

        return match (true) {
            '' !== $read && null !== $check->scale => $check->scale->said($read),
            Ranking::SKIPPED === ($this->answers[$check->id] ?? Ranking::SKIPPED) => 'skipped',
            default => $check->labels[$this->answers[$check->id]],
        };
    }

    /** Whether a check that is made again comes to the same answer, by what was read, or by the answer in words. */
    public function isSame(CauseCheck $check, string $again): bool
    {
        $answer = $this->answers[$check->id] ?? '';
        if ('' === $again || '' === $answer || Ranking::SKIPPED === $answer) {
            return false;
        }
        if (isset($this->read[$check->id]) && null !== $check->scale) {
            try {
                return $check->scale->answer($check->scale->value($again)) === $answer;
            } catch (InvalidQuantity) {
                // It was said in words.
            }
        }

        return in_array($again, [$answer, $check->labels[$answer]], true);
    }

    /** @return array<string, string> without what was skipped */
    public function made(): array
    {
        return array_filter($this->answers, static fn (string $one): bool => Ranking::SKIPPED !== $one);
    }
}
