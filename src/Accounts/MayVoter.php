<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Vote;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * Answers what May declares.
 *
 * @extends Voter<string, mixed>
 */
final class MayVoter extends Voter
{
    public function supportsAttribute(string $attribute): bool
    {
        return null !== May::tryFrom($attribute);
    }

    protected function supports(string $attribute, mixed $subject): bool
    {
        return $this->supportsAttribute($attribute);
    }

    protected function voteOnAttribute(string $attribute, mixed $subject, TokenInterface $token, ?Vote $vote = null): bool
    {
        $person = $token->getUser();

        return $person instanceof AccountRecord && May::from($attribute)->allows($person->role);
    }
}
