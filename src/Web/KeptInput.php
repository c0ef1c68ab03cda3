<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Web;

use Symfony\Component\HttpFoundation\RequestStack;

/** What was typed into a form that was refused, kept in the session until the form is taken: nothing that was entered is lost. */
final readonly class KeptInput
{
    private const NAME = 'typed.';
    private const MOST_LETTERS = 100_000;

    public function __construct(private RequestStack $requests)
    {
    }

    /** @param array<array-key, mixed> $fields texts, or lists of them */
    public function keep(string $form, array $fields): void
    {
        $this->requests->getSession()->set(self::NAME.$form, self::texts($fields));
    }

    /** @return array<array-key, mixed> empty where the form was taken */
    public function of(string $form): array
    {
        $request = $this->requests->getCurrentRequest();
        $kept = null !== $request && $request->hasPreviousSession() ? $request->getSession()->get(self::NAME.$form) : null;

        return is_array($kept) ? $kept : [];
    }

    public function drop(string $form): void
    {
        $this->requests->getSession()->remove(self::NAME.$form);
    }

    /**
     * @param array<array-key, mixed> $fields
     *
     * @return array<array-key, mixed>
     */
    private static function texts(array $fields): array
    {
        return array_map(static fn (mixed $one): mixed => match (true) {
            is_array($one) => self::texts($one),
            is_scalar($one) => mb_substr((string) $one, 0, self::MOST_LETTERS),
            default => '',
        }, array_diff_key($fields, ['_csrf' => true]));
    }
}
