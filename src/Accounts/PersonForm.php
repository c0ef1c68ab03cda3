<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\EnumType;
use Symfony\Component\Form\Extension\Core\Type\PasswordType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Callback;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\NotBlank;
use Symfony\Component\Validator\Constraints\Regex;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/**
 * A person to be added, or one to be changed. What the log says was done was done by a name, so no two people share one.
 *
 * @extends AbstractType<Person>
 */
final class PersonForm extends AbstractType
{
    public function __construct(private readonly AccountBook $accounts)
    {
    }

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $known = is_string($options['known']) ? $options['known'] : '';
        if (true === $options['with_code']) {
            $builder->add('code', TextType::class, [
                'label' => 'Code', 'empty_data' => '', 'help' => 'From bin/console account:code on the machine this runs on.',
                'attr' => ['autocomplete' => 'one-time-code', 'autocapitalize' => 'characters'],
                'constraints' => [new NotBlank(message: 'Enter the code: bin/console account:code prints it.')],
            ]);
        }
        $builder->add('name', TextType::class, [
            'label' => 'Name', 'empty_data' => '', 'attr' => ['maxlength' => 120, 'autocomplete' => 'off'],
            'constraints' => [
                new NotBlank(message: 'Enter the name as it should stand in the logbook.'), new Length(max: 120),
                new Callback($this->nameIsFree($known)),
            ],
        ]);
        if ('' === $known) {
            $builder->add('login', TextType::class, [
                'label' => 'Login', 'empty_data' => '', 'attr' => ['maxlength' => 59, 'autocapitalize' => 'none', 'autocomplete' => 'off'],
                'constraints' => [
                    new Regex('/\A[A-Za-z0-9][A-Za-z0-9._-]{1,58}\z/', 'The login is 2 to 59 of a-z, 0-9, dot, hyphen, underscore.'),
                    new Callback($this->loginIsFree(...)),
                ],
            ]);
        }
        if (true !== $options['with_code']) {
            $builder->add('role', EnumType::class, [
                'label' => 'May', 'class' => Role::class, 'choice_label' => static fn (Role $role): string => $role->may(),
                'invalid_message' => 'Choose what the person may do.',
                'constraints' => [new NotBlank(message: 'Choose what the person may do.')],
            ]);
        }
        '' !== $known || self::addPassword($builder);
    }

    /** @param FormBuilderInterface<Person|null> $builder */
    private static function addPassword(FormBuilderInterface $builder): void
    {
        $builder->add('password', PasswordType::class, [
            'label' => 'Password', 'empty_data' => '', 'help' => 'Ten characters or more. Several words are best.',
            'always_empty' => false, 'attr' => ['autocomplete' => 'new-password'],
            'constraints' => [new Callback(self::passwordIsGood(...))],
        ]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['data_class' => Person::class, 'known' => '', 'with_code' => false]);
        $resolver->setAllowedTypes('known', 'string');
    }

    public function getBlockPrefix(): string
    {
        return 'person';
    }

    private function nameIsFree(string $known): \Closure
    {
        return function (string $name, ExecutionContextInterface $context) use ($known): void {
            $other = $this->accounts->called(trim($name));
            if (null !== $other && $other->login !== $known) {
                $context->addViolation(sprintf(
                    'There is a %s already, login “%s”. Add something that tells the two apart.', $other->name, $other->login,
                ));
            }
        };
    }

    private function loginIsFree(string $login, ExecutionContextInterface $context): void
    {
        null === $this->accounts->named($login) || $context->addViolation(sprintf('“%s” is taken: choose another login.', $login));
    }

    public static function passwordIsGood(#[\SensitiveParameter] string $password, ExecutionContextInterface $context): void
    {
        try {
            Password::ensureGood($password);
        } catch (\DomainException $e) {
            $context->addViolation($e->getMessage());
        }
    }
}
