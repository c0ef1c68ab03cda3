<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\PasswordType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Security\Core\Validator\Constraints\UserPassword;
use Symfony\Component\Validator\Constraints\Callback;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/**
 * One’s own password or PIN: whoever finds a tablet signed in changes neither without the password there is.
 *
 * @extends AbstractType<OwnPassword>
 */
final class OwnPasswordForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $isPin = true === $options['pin'];
        $builder->add($isPin ? 'pin_now' : 'now', PasswordType::class, [
            'property_path' => 'now',
            'label' => 'Password you have', 'empty_data' => '', 'attr' => ['autocomplete' => 'current-password'],
            'constraints' => [new UserPassword(message: 'That is not the password you have.')],
        ])->add($isPin ? 'pin' : 'new', PasswordType::class, [
            'property_path' => 'new',
            'label' => $isPin ? 'PIN' : 'New password', 'empty_data' => '', 'required' => !$isPin,
            'help' => $isPin ? 'Four to eight digits; leave it empty to have none.' : 'You are signed out on every other tablet.',
            'attr' => ['autocomplete' => $isPin ? 'off' : 'new-password'] + ($isPin ? ['inputmode' => 'numeric'] : []),
            'constraints' => [new Callback($isPin ? self::pinIsGood(...) : PersonForm::passwordIsGood(...))],
        ]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['data_class' => OwnPassword::class, 'pin' => false]);
        $resolver->setAllowedTypes('pin', 'bool');
    }

    public static function pinIsGood(mixed $pin, ExecutionContextInterface $context): void
    {
        try {
            is_string($pin) && '' !== $pin && Pin::ensureGood($pin);
        } catch (\DomainException $e) {
            $context->addViolation($e->getMessage());
        }
    }
}
